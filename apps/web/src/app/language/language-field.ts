import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { ChoiceField } from '../ui/choice-field';
import { LanguageService } from './language.service';

/** In which words the interface speaks on this device. */
@Component({
  selector: 'hy-language-field',
  imports: [ChoiceField],
  template: `
    <hy-choice-field
      label="Language"
      i18n-label
      [choices]="language.choices"
      [value]="language.current"
      [problem]="problem()"
      (valueChange)="choose($event)"
    />
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LanguageField {
  protected readonly language = inject(LanguageService);
  protected readonly problem = signal<string | undefined>(undefined);

  protected choose(locale: string): void {
    this.language.choose(locale).then(
      (kept) =>
        this.problem.set(
          kept
            ? undefined
            : $localize`This browser keeps nothing for this page, so the language stays as it is. Allow it to keep site data.`,
        ),
      () => this.problem.set($localize`The words of this language cannot be read now. Try again.`),
    );
  }
}

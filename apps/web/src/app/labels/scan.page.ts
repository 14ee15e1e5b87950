import { fromServer } from '../data/from-server';
import { ChangeDetectionStrategy, Component, DestroyRef, ElementRef, inject, signal, viewChild } from '@angular/core';

import { FormBuilder, ReactiveFormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import type { IScannerControls } from '@zxing/browser';
import { ServerData } from '../data/server-data.service';
import { filled } from '../forms/validators';
import { valueOf } from '../ui/loadable';
import { PageHead } from '../ui/page-head';
import { TextField } from '../ui/text-field';
import { cylinderIn } from './label';

/** A label is read by the camera, from a picture, or by its number, and its cylinder opens. */
@Component({
  selector: 'hy-scan-page',
  imports: [PageHead, ReactiveFormsModule, RouterLink, TextField],
  template: `
    <hy-page-head title="Scan a label" i18n-title line="The code on a label or a collar, or the number under it" i18n-line />
    <div class="body">
      <form novalidate [formGroup]="form" (ngSubmit)="byNumber()">
        <hy-text-field label="Number" i18n-label placeholder="such as C-07" i18n-placeholder formControlName="number" />
        <button i18n type="submit" class="button main">Open it</button>
      </form>
      <div class="ways">
        <button type="button" class="button" (click)="watch()">
          @if (watching()) {
            <ng-container i18n>Camera is on</ng-container>
          } @else {
            <ng-container i18n>Use the camera</ng-container>
          }
        </button>
        <label class="button file">
          <input type="file" accept="image/*" aria-label="Picture of a label" i18n-aria-label (change)="fromPicture($event)" />
          <ng-container i18n>Read a picture </ng-container></label
        >
      </div>
      <video #video muted playsinline [hidden]="!watching()" aria-label="What the camera sees" i18n-aria-label></video>
      @if (problem(); as sentence) {
        <p role="alert" class="problem">{{ sentence }}</p>
      }
      @if (unknown(); as number) {
        <p>
          <a i18n class="button" routerLink="/cylinders/new" [queryParams]="{ number }">Register {{ number }}</a>
        </p>
      }
    </div>
  `,
  styles: `
    .body {
      display: grid;
      max-width: 620px;
      gap: 18px;
      padding: 22px var(--margin) 40px;
    }

    form,
    .ways {
      display: flex;
      flex-wrap: wrap;
      align-items: end;
      gap: 12px;
    }

    hy-text-field {
      flex: 1 1 220px;
    }

    .file {
      position: relative;
      overflow: hidden;
    }

    .file input {
      position: absolute;
      inset: 0;
      opacity: 0;
      cursor: pointer;
    }

    .file:focus-within {
      outline: 3px solid var(--act);
      outline-offset: 2px;
    }

    video {
      width: 100%;
      border-radius: var(--radius);
      background: #000;
    }

    .problem {
      color: var(--danger);
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ScanPage {
  protected readonly words = {
    cylindersNotRead: $localize`The cylinders are not read yet. Try again when the server answers; what you typed is kept.`,
  } as const;

  private readonly router = inject(Router);
  private readonly video = viewChild.required<ElementRef<HTMLVideoElement>>('video');
  private readonly cylinders = fromServer(inject(ServerData).cylinders$);
  protected readonly form = inject(FormBuilder).nonNullable.group({ number: ['', filled($localize`Type the number, or read a code.`)] });
  protected readonly problem = signal<string | undefined>(undefined);
  protected readonly unknown = signal<string | undefined>(undefined);
  protected readonly watching = signal(false);
  private camera: IScannerControls | undefined;

  constructor() {
    inject(DestroyRef).onDestroy(() => this.camera?.stop());
  }

  protected byNumber(): void {
    this.unknown.set(undefined);
    if (this.form.invalid) return;
    const { number } = this.form.getRawValue();
    const known = valueOf(this.cylinders());
    const found = known?.find(({ name }) => plain(name) === plain(number));
    if (known === undefined) this.problem.set(this.words.cylindersNotRead); // nobody is sent to register what may be there
    else if (found === undefined) this.refuse(number.trim());
    else this.open(found.id);
  }

  /** Nobody knows it yet: it can be registered under what was read. */
  private refuse(number: string): void {
    this.problem.set($localize`No cylinder has the number "${number}". Read it again, or register it.`);
    this.unknown.set(number.slice(0, MOST_LETTERS_COUNT));
  }

  protected async watch(): Promise<void> {
    const { BrowserMultiFormatReader } = await import('@zxing/browser');
    this.watching.set(true);
    try {
      this.camera = await new BrowserMultiFormatReader().decodeFromVideoDevice(undefined, this.video().nativeElement, (result) => {
        if (result !== undefined) this.read(result.getText());
      });
    } catch {
      this.watching.set(false);
      this.problem.set($localize`No camera can be used here. Allow it for this page, read a picture, or type the number.`);
    }
  }

  protected async fromPicture(event: Event): Promise<void> {
    const input = event.target as HTMLInputElement; // this listener sits on the file field alone
    const file = input.files?.[0];
    if (file === undefined) return;
    const [{ BrowserMultiFormatReader }, url] = await Promise.all([import('@zxing/browser'), dataUrl(file)]);
    input.value = '';
    try {
      this.read((await new BrowserMultiFormatReader().decodeFromImageUrl(url)).getText());
    } catch {
      this.problem.set($localize`No code is found in this picture. Take it straight from the front, with light on it.`);
    }
  }

  private read(code: string): void {
    const id = cylinderIn(code);
    if (id !== undefined) {
      this.open(id);
      return;
    }
    // a bar code on a collar or a neck ring carries the number itself
    this.form.setValue({ number: code.trim() });
    this.byNumber();
  }

  private open(id: string): void {
    this.camera?.stop();
    void this.router.navigate(['/cylinders', id]);
  }
}

/** As long as a number may be. */
const MOST_LETTERS_COUNT = 120;

const plain = (text: string) => text.toLowerCase().replace(/[^a-z0-9]/g, '');

/** The picture as an address that the page's own rules allow. */
const dataUrl = (file: File): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(typeof reader.result === 'string' ? reader.result : ''); // read as an address it is text
    reader.onerror = () => reject(reader.error ?? new Error('the picture cannot be read'));
    reader.readAsDataURL(file);
  });

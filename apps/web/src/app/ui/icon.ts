import { ChangeDetectionStrategy, Component, ElementRef, effect, inject, input, Renderer2 } from '@angular/core';
import {
  BookOpen,
  CalendarCheck,
  Camera,
  ChevronRight,
  CircleCheck,
  Download,
  Ellipsis,
  Gauge,
  List,
  ListFilter,
  LayoutGrid,
  Plus,
  Scale,
  ScanLine,
  Search,
  Settings2,
  TriangleAlert,
  Undo2,
  X,
} from 'lucide';
import { cylinderIcon, systemIcon } from './own-icons';

type Drawing = readonly (readonly [string, Readonly<Record<string, string | number | undefined>>])[];

const drawings = {
  book: BookOpen,
  today: CalendarCheck,
  bench: Gauge,
  camera: Camera,
  forward: ChevronRight,
  fine: CircleCheck,
  export: Download,
  table: List,
  rack: LayoutGrid,
  add: Plus,
  scale: Scale,
  search: Search,
  settings: Settings2,
  caution: TriangleAlert,
  reverse: Undo2,
  close: X,
  more: Ellipsis,
  filter: ListFilter,
  scan: ScanLine,
  cylinder: cylinderIcon,
  system: systemIcon,
} satisfies Record<string, Drawing>;
export type IconName = keyof typeof drawings;

/** A line drawing beside words: it says nothing by itself, so that readers of screens pass over it. */
@Component({
  selector: 'svg[hyIcon]',
  template: '',
  host: {
    'aria-hidden': 'true',
    viewBox: '0 0 24 24',
    width: '22',
    height: '22',
    fill: 'none',
    stroke: 'currentColor',
    'stroke-width': '1.9',
    'stroke-linecap': 'round',
    'stroke-linejoin': 'round',
  },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Icon {
  readonly hyIcon = input.required<IconName>();

  constructor() {
    const svg: SVGElement = inject<ElementRef<SVGElement>>(ElementRef).nativeElement;
    const renderer = inject(Renderer2);
    effect(() => {
      svg.replaceChildren();
      for (const [tag, attributes] of drawings[this.hyIcon()] as Drawing) {
        const part = renderer.createElement(tag, 'svg') as SVGElement; // the renderer of a browser
        for (const [name, value] of Object.entries(attributes)) renderer.setAttribute(part, name, String(value));
        renderer.appendChild(svg, part);
      }
    });
  }
}

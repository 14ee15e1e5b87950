import { usualYears } from '@hygromet/core/cylinder/requalification';
import type { CylinderMarks } from './cylinder';

/** A cylinder of which nothing else is known; alone in its file, so that an interface can use it without the schemas. */
export const usualMarks: CylinderMarks = { kind: 'recovery', flammableRated: false, ports: 'liquid-and-vapour', validYears: usualYears };

import type { DecidingCheck, ExplanationCode } from '@hygromet/core/account/explanation';

export const explanationText: Record<ExplanationCode, string> = {
  'leaked-before': 'It leaked before',
  'not-everything-out': 'Not everything is out: creep, or a trapped section',
  'other-charge': 'Another charge than the plate says',
  overcharged: 'It was overcharged',
  'line-set-not-covered': 'The plate does not cover the line set',
  'wrong-tare': 'The tare of the cylinder is wrong',
  'cylinder-not-empty': 'The cylinder was not empty before',
  'scale-misread': 'The scale was misread',
  'oil-carried': 'Oil came along',
  'air-in-cylinder': 'Air is in the cylinder',
  'other-refrigerant': 'Another refrigerant is mixed in',
};

export const checkText: Record<DecidingCheck, string> = {
  'weigh-again': 'Weigh the cylinder again',
  'last-entry': 'Check the last entry of the system',
  'weigh-empty': 'Weigh the cylinder empty when it comes back',
  'air-check': 'Check the cylinder for non-condensables',
  'oil-level': 'Check the oil level',
  'shut-in': 'Shut the system in for 10 min and read it',
  'measure-line-set': 'Measure the line set',
  identifier: 'Use an identifier',
  'leak-search': 'Search the leak',
};

export const termText = (term: string): string =>
  ({
    before: 'On record before this visit',
    'line-set': 'Line set beyond what the plate covers',
    vapor: 'Vapor left in the circuit',
    hoses: 'Hoses and machine',
    oil: 'In the oil',
  })[term] ?? term;

/** Grows with every change of a model, a coefficient or a rule; booked results keep it. */
export const coreVersion = '0.1.0';

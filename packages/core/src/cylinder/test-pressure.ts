/** Whether a stamped test pressure can be true beside the service pressure, both Pa: a cylinder is tested above what it serves at (49 CFR 178). */
export const testedAbove = (testPressurePa: number, servicePressurePa: number): boolean => testPressurePa > servicePressurePa;

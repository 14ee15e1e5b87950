/** How a refrigerant leaves a system: its liquid, or the whole charge, is the blend; its vapour alone is not. */
export const ports = ['liquid', 'vapour'] as const;
export type Port = (typeof ports)[number];

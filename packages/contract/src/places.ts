/** Where a cylinder can be; alone in its file, so that an interface can list them without the schemas. */
export const places = ['van', 'workshop', 'site', 'reclaimer'] as const;

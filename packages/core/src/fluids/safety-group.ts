/** Whether a safety group is a flammable one (A2L, A2, A3, B2L, B2, B3 of ANSI/ASHRAE 34); what nobody has classified is taken as such. */
export const isFlammableGroup = (safetyGroup: string | null): boolean => safetyGroup === null || !safetyGroup.endsWith('1');

/** Whether a refrigerant burns, by what a list says of it; one that is not in the list is taken as burning. */
export const burnsByList =
  (list: readonly { readonly id: string; readonly flammable: boolean }[]) =>
  (id: string): boolean =>
    list.find((entry) => entry.id === id)?.flammable ?? true;

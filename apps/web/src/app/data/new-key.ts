/** A key that makes a booking happen once, however often it is sent. */
export const newKey = (): string => crypto.randomUUID();

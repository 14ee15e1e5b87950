/** Names that carry a hash of their content never change. */
const HASHED = /-[A-Z0-9]{8}\.(js|css|woff2?|svg)$/;

/** Whether what is asked for is always the same under this name. */
export const hasHashedName = (path: string): boolean => HASHED.test(path);

/** A part that a page loads, not one that runs by rules of its own, as a page or a worker does. */
export const isPartOfPage = (path: string): boolean => hasHashedName(path) && !/\/worker-[^/]*$/.test(path);

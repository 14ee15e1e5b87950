/** What is said of a test pressure that cannot be; alone in its file, so that an interface can say it without the schemas. */
export const TEST_ABOVE_SERVICE = 'The test pressure is above the service pressure on every collar. Read both again.';

// @ts-check
/** Ends what start-postgres began. */
export default async function stop() {
  await globalThis.stopTestPostgres();
}

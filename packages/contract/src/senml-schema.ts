import * as z from 'zod';
import { senmlPack } from './instrument';

/** What a gateway may send, as JSON Schema 2020-12. */
export const senmlSchema = (): object => ({
  title: 'Readings of instruments for Hygromet: SenML (RFC 8428), JSON',
  ...z.toJSONSchema(senmlPack, { io: 'input', unrepresentable: 'any' }),
});

// @ts-check
import path from 'node:path';
import { parseArgs } from 'node:util';
import { root } from './paths.mjs';
import { Stop } from './say.mjs';

const HELP = `npm start                     serve on http://127.0.0.1:4180
npm start -- --port N         serve on another port
npm start -- --data DIR       keep database and lock in another folder (default .data)
npm start -- --backups DIR    keep the daily backups in another folder, best on another disk (default DIR/backups; "none" for none)
npm start -- --no-instruments  without the simulated instruments
npm start -- --instruments N   their page on another port (default: the next one)
npm start -- --empty          begin without the demo, with a firm of your own (in a data folder of its own: --empty --data DIR)
npm start -- --reset-demo     throw everything away and load the demo data again; with --empty: and begin without it`;

/** @param {string[]} args @returns {{ port: number, dataFolder: string, backups: string | undefined, resetDemo: boolean, empty: boolean, instruments: number | undefined }} */
export function startOptions(args) {
  const { values } = parsed(args);
  if (values.help) throw new Stop(HELP);
  const port = portOf(values.port);
  const dataFolder = path.resolve(root, values.data);
  const backups = values.backups === 'none' ? undefined : path.resolve(root, values.backups ?? path.join(dataFolder, 'backups'));
  return {
    port,
    dataFolder,
    backups,
    resetDemo: values['reset-demo'],
    empty: values.empty,
    instruments: values['no-instruments'] ? undefined : portOf(values.instruments ?? String(port + 1)),
  };
}

/** @param {string} text */
function portOf(text) {
  const port = Number(text);
  if (!Number.isInteger(port) || port < 1 || port > 65_535)
    throw new Stop(`"${text}" is no port. Choose a number from 1 to 65535, such as --port 4180.`);
  return port;
}

/** @param {string[]} args */
function parsed(args) {
  try {
    return parseArgs({
      args,
      options: {
        port: { type: 'string', default: '4180' },
        data: { type: 'string', default: '.data' },
        backups: { type: 'string' },
        instruments: { type: 'string' },
        'no-instruments': { type: 'boolean', default: false },
        empty: { type: 'boolean', default: false },
        'reset-demo': { type: 'boolean', default: false },
        help: { type: 'boolean', default: false },
      },
    });
  } catch (error) {
    throw new Stop(`${error instanceof Error ? error.message : error}\n\n${HELP}`);
  }
}

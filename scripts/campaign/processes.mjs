// @ts-check
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import path from 'node:path';

/** @typedef {{ pid: number, parent: number, line: string }} Process */

/** @returns {Process[]} */
function all() {
  const lines = execFileSync('ps', ['-eo', 'pid=,ppid=,args='], { encoding: 'utf8' }).split('\n');
  return lines.map((line) => {
    const [pid = '', parent = '', ...rest] = line.trim().split(/\s+/);
    return { pid: Number(pid), parent: Number(parent), line: rest.join(' ') };
  });
}

/** @param {string} folder data folder */
function postmaster(folder) {
  try {
    return Number(readFileSync(path.join(folder, 'postgres/postmaster.pid'), 'utf8').split('\n')[0]);
  } catch {
    return undefined; // between two of them
  }
}

/** The processes of one house, by what they are. @param {import('./house.mjs').House} house @returns {Record<string, () => number[]>} */
export const targets = ({ folder, starter }) => {
  const ofDatabase = () => {
    const head = postmaster(folder);
    return head === undefined ? [] : all().filter(({ parent }) => parent === head);
  };
  const server = () => all().filter(({ parent, line }) => parent === starter && line.includes('main.mjs serve')).map(({ pid }) => pid);
  const head = () => [postmaster(folder)].filter((pid) => pid !== undefined);
  const backends = () => ofDatabase().filter(({ line }) => line.includes('hygromet_app')).map(({ pid }) => pid);
  return {
    'the server': server,
    'the head of PostgreSQL': head,
    'all of PostgreSQL': () => [...head(), ...ofDatabase().map(({ pid }) => pid)],
    'all connections': backends,
    'one connection': () => backends().slice(0, 1),
    'the shell before PostgreSQL': () => all().filter(({ parent, line }) => parent === starter && line.startsWith('/bin/sh')).map(({ pid }) => pid),
    'server and PostgreSQL at once': () => [...server(), ...head()],
  };
}; // prettier-ignore

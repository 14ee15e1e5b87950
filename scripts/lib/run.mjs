// @ts-check
import { spawn } from 'node:child_process';
import { root } from './paths.mjs';

/**
 * Runs a command to its end and collects what it printed.
 * @param {string} command @param {string[]} args
 * @param {{ cwd?: string, env?: NodeJS.ProcessEnv, echo?: boolean }} [options]
 * @returns {Promise<{ code: number, output: string }>}
 */
export function run(command, args, { cwd = root, env = process.env, echo = false } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { cwd, env, stdio: ['ignore', 'pipe', 'pipe'] });
    let output = '';
    for (const stream of [child.stdout, child.stderr]) {
      stream.on('data', (/** @type {Buffer} */ chunk) => {
        output += chunk.toString();
        if (echo) process.stdout.write(chunk);
      });
    }
    child.on('error', reject);
    child.on('close', (code) => resolve({ code: code ?? 1, output }));
  });
}

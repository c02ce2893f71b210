// Starts the built programs as processes of their own and knows when they are ready.
import { spawn } from 'node:child_process';
import path from 'node:path';

/**
 * @param {string} script path from the project root
 * @param {string[]} args
 * @returns {Promise<{ url: string, pid: number, output: () => string, stop: (signal?: NodeJS.Signals) => Promise<void> }>}
 */
export function startProgram(script, args, root = process.cwd()) {
  return new Promise((resolve, reject) => {
    const child = spawn(process.execPath, ['--enable-source-maps', path.join(root, script), ...args], {
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    let output = '';
    const ended = new Promise((done) => child.once('exit', done));
    const gather = (bytes) => (output = (output + bytes).slice(-20000));
    child.stderr.on('data', gather);
    child.stdout.on('data', (bytes) => {
      gather(bytes);
      const ready = /at (http:\S+)/.exec(String(bytes));
      if (!ready) return;
      const stop = async (signal = 'SIGTERM') => {
        child.kill(signal);
        await ended;
      };
      resolve({ url: ready[1], pid: child.pid, output: () => output, stop });
    });
    child.once('exit', (code) => reject(new Error(`${script} ended with ${code}:\n${output}`)));
  });
}

export const startServices = (args = [], root) => startProgram('standin/dist/main.js', args, root);
export const startServer = (args = [], root) => startProgram('server/dist/main.js', args, root);

// Runs commands for the bootstrap scripts, which must work before anything is installed.
import { spawn, spawnSync } from 'node:child_process';

/** Runs a command and resolves to its exit code and everything it printed. */
export function run(command, args, options = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, {
      stdio: ['ignore', 'pipe', 'pipe'],
      ...options,
      env: { ...process.env, ...options.env },
    });
    let output = '';
    const take = (data) => {
      output += data;
      if (options.echo) process.stdout.write(data);
    };
    child.stdout.on('data', take);
    child.stderr.on('data', take);
    child.on('error', (error) => resolve({ code: 127, output: String(error) }));
    child.on('close', (code) => resolve({ code: code ?? 1, output }));
  });
}

/** Whether a program is on the path. */
export function has(program) {
  return spawnSync('sh', ['-c', `command -v ${program}`], { stdio: 'ignore' }).status === 0;
}

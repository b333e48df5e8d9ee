import { CliError } from './errors';
import { runCommand } from './commands';

// Whoever reads a part of it, as `head` does, closes the pipe early: that is no failure.
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code !== 'EPIPE') throw error;
  process.exit(0);
});

try {
  process.stdout.write(`${runCommand(process.argv.slice(2), Date.now())}\n`);
} catch (error) {
  if (!(error instanceof CliError)) throw error;
  process.stderr.write(`${error.message.replace(/\s*\n\s*/g, ' ')}\n`);
  process.exitCode = 1;
}

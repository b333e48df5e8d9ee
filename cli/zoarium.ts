import { CliError } from './errors';
import { runCommand } from './commands';

try {
  process.stdout.write(`${runCommand(process.argv.slice(2), Date.now())}\n`);
} catch (error) {
  if (!(error instanceof CliError)) throw error;
  process.stderr.write(`${error.message.replace(/\s*\n\s*/g, ' ')}\n`);
  process.exitCode = 1;
}

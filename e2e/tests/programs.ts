import { spawn, type ChildProcess } from 'node:child_process';

/** Programs beside the server that a check starts: stand-ins of devices, and what carries for them. */

const started: ChildProcess[] = [];

/** Starts a program and waits until it says something. */
export function start(
  program: string,
  args: string[],
  says: RegExp,
  env = {},
): Promise<RegExpMatchArray> {
  const child = spawn(program, args, { env: { ...process.env, ...env } });
  started.push(child);
  let said = '';
  return new Promise((resolve, reject) => {
    const hear = (more: Buffer) => {
      said += more.toString();
      const found = said.match(says);
      if (found) resolve(found);
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.on('exit', (code) => reject(new Error(`${program} ended with ${code}: ${said}`)));
  });
}

/** Ends all that was started. */
export function endPrograms() {
  for (const child of started.splice(0)) {
    child.removeAllListeners('exit');
    child.kill('SIGTERM');
  }
}

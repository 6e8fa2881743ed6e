import { run } from '../cli/run';

/** The command within this process, which saves starting one. */
export async function vineKnot(...args: string[]) {
  const [out, err] = [process.stdout, process.stderr].map((stream) => jest.spyOn(stream, 'write').mockReturnValue(true));
  try {
    const status = await run(args);
    const [stdout, stderr] = [out!, err!].map((spy) => spy.mock.calls.map(([text]) => String(text)).join(''));
    return { stdout: stdout!, stderr: stderr!, status };
  } finally {
    out!.mockRestore();
    err!.mockRestore();
  }
}

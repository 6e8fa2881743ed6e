import { databaseUrl, openDatabase } from './client';
import { backup, check, checkpoint, restore, type Holding } from './keep';
import { StoreError } from './storeError';

/**
 * `tsx db/tool.ts open|backup FILE|restore FILE|check|checkpoint`: what is done to the store beside the server. Ends with 2 when it cannot
 * be done.
 */

const [act, file] = process.argv.slice(2);
const url = databaseUrl();

function holds({ designs, changes, bytes }: Holding): string {
  return `${designs} designs, ${changes} changes, ${(bytes / 1e6).toFixed(1)} MB`;
}

async function run(): Promise<string | null> {
  if ((act === 'backup' || act === 'restore') && !file) throw new StoreError(`name a file: npm run ${act} -- FILE`);
  switch (act) {
    case 'open':
      (await openDatabase(url)).$client.close();
      return null;
    case 'backup':
      return `Copied to ${file}: ${holds(await backup(url, file!))}`;
    case 'restore': {
      const done = await restore(url, file!);
      return `Restored from ${file}: ${holds(done)}${done.before === null ? '' : `\nWhat was there before is in ${done.before}`}`;
    }
    case 'check':
      return `In order: ${holds(await check(url))}`;
    case 'checkpoint':
      await checkpoint(url);
      return null;
    default:
      throw new StoreError('say open, backup FILE, restore FILE, check or checkpoint');
  }
}

try {
  const said = await run();
  if (said !== null) console.log(said);
} catch (error) {
  console.error(error instanceof StoreError ? `The store cannot be used: ${error.message}.` : error);
  process.exit(2);
}

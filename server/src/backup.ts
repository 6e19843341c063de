import { readBackup } from './backup/read-backup';
import { writeBackup } from './backup/write-backup';
import { DomainError } from './errors/domain-error';

/** Writes or reads a backup: 0 where it was done, 1 where it was refused, 2 where the command is none. */
async function main(what: string | undefined, path: string | undefined, databaseUrl: string | undefined): Promise<number> {
  if (!path || !databaseUrl || (what !== 'write' && what !== 'read')) {
    console.error('backup.js write|read FILE');
    return 2;
  }
  try {
    await (what === 'write' ? writeBackup : readBackup)(databaseUrl, path);
    return 0;
  } catch (error) {
    if (error instanceof DomainError) console.error(`${error.message} ${error.hint ?? ''}`);
    else console.error(error instanceof Error ? error.message : String(error));
    return 1;
  }
}

process.exitCode = await main(process.argv[2], process.argv[3], process.env.IVLEN_DATABASE_URL);

import { clockBack, damaged, fullDisk, readOnly } from './disk.ts';
import { fuzz } from './fuzz.ts';
import { writePart } from '../../bench/page.ts';
import { freeze } from './freeze.ts';
import { largeBackup, undoneImport } from './large.ts';
import { found } from './server.ts';
import { letGo } from './streams.ts';
import { killAgainAndAgain } from './kill.ts';

/** `npm run faults [-- kill,disk,fuzz,streams,freeze,large] [times] [--write]`: treats a server badly and says what held. */
const [which = 'all', times] = process.argv.slice(2).filter((each) => !each.startsWith('--'));
const asked = (name: string) => which === 'all' || which.split(',').includes(name);
if (asked('disk')) {
  for (const harm of [fullDisk, readOnly, damaged, clockBack]) await harm();
}
if (asked('streams')) await letGo();
if (asked('freeze')) await freeze();
if (asked('large')) {
  await undoneImport();
  await largeBackup();
}
if (asked('fuzz')) await fuzz(Number(times ?? 20_000));
if (asked('kill')) await killAgainAndAgain(Number(times ?? 200));
if (process.argv.includes('--write')) writePart('faults', found);
console.log(process.exitCode ? 'something does not hold' : 'all holds');

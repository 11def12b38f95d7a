import { clockBack, damaged, fullDisk, readOnly } from './disk.ts';
import { fuzz } from './fuzz.ts';
import { killAgainAndAgain } from './kill.ts';

/** `npm run faults [-- kill|disk|fuzz] [times]`: treats a server badly and says what held. */
const [which = 'all', times] = process.argv.slice(2);
const asked = (name: string) => which === 'all' || which === name;
if (asked('disk')) {
  for (const harm of [fullDisk, readOnly, damaged, clockBack]) await harm();
}
if (asked('fuzz')) await fuzz(Number(times ?? 20_000));
if (asked('kill')) await killAgainAndAgain(Number(times ?? 200));
console.log(process.exitCode ? 'something does not hold' : 'all holds');

import { clockBack, damaged, fullDisk, readOnly } from './disk.ts';
import { fuzz } from './fuzz.ts';
import { killAgainAndAgain } from './kill.ts';

/** `npm run faults [-- kill|disk|fuzz] [times]`: treats a server badly and says what held. */
const PORT = Number(process.env.FERNBANK_FAULTS_PORT ?? 4198);
const [which = 'all', times] = process.argv.slice(2);
const asked = (name: string) => which === 'all' || which === name;
if (asked('disk')) {
  for (const harm of [fullDisk, readOnly, damaged, clockBack]) await harm(PORT);
}
if (asked('fuzz')) await fuzz(PORT, Number(times ?? 20_000));
if (asked('kill')) await killAgainAndAgain(PORT, Number(times ?? 200));
console.log(process.exitCode ? 'something does not hold' : 'all holds');

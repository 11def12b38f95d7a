import Papa from 'papaparse';
import { walk } from '../core/src/practice/index.ts';

/**
 * `npm run plausible [-- --csv]`: every number of which practice knows the range, the worst first, to be
 * read with one's own eyes.
 */
const findings = walk();
const told = (value: number | null | undefined) =>
  value == null ? 'none' : value < 1 ? value.toFixed(2) : value.toFixed(1);
const rows = findings.map(({ model, what, value, range, off }) => ({
  model,
  what,
  value: told(value),
  least: told(range?.least),
  most: told(range?.most),
  off: off.toFixed(2),
}));
if (process.argv.includes('--csv')) console.log(Papa.unparse(rows));
else {
  for (const { model, what, value, least, most, off } of rows.filter((row) => row.off !== '0.00')) {
    console.log(
      `${off.padStart(6)}  ${model}: ${what}: ${value}, practice says ${least} to ${most}`,
    );
  }
  for (const model of new Set(findings.map((one) => one.model))) {
    const of = findings.filter((one) => one.model === model);
    const within = of.filter(({ off }) => off === 0).length;
    console.log(`${model}: ${within} of ${of.length} within`);
  }
}

/*
 * Latitudes of the world's time zones, from the tables of the IANA time zone database (public domain), which most
 * systems keep among their zone files: `npm run zones -- FOLDER` reads `zone.tab` and `tzdata.zi` there.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const [folder] = process.argv.slice(2);
if (!folder) throw new Error('npm run zones -- FOLDER: where zone.tab and tzdata.zi lie');
const linesOf = (name: string) => readFileSync(join(folder, name), 'utf8').split('\n');

/** ±DDMM or ±DDMMSS, then the longitude. */
function degrees(coordinates: string): number {
  const [, sign, whole, minutes] = /^([+-])(\d\d)(\d\d)/.exec(coordinates)!;
  return (sign === '-' ? -1 : 1) * Math.round(Number(whole) + Number(minutes) / 60);
}
const latitudes = new Map<string, number>();
for (const line of linesOf('zone.tab')) {
  const [country, coordinates, zone] = line.split('\t');
  if (country && !country.startsWith('#')) latitudes.set(zone!, degrees(coordinates!));
}
// Older names of a place, as some systems still give them: a link to a link comes after it.
for (const line of [...linesOf('tzdata.zi'), ...linesOf('tzdata.zi')]) {
  const [kind, target, alias] = line.split(' ');
  const known = kind === 'L' ? latitudes.get(target!) : undefined;
  if (known !== undefined && !latitudes.has(alias!)) latitudes.set(alias!, known);
}
const version = /^# version (\S+)/.exec(linesOf('tzdata.zi')[0]!)?.[1];
const byLatitude = new Map<number, string[]>();
for (const [zone, deg] of [...latitudes].sort(([a], [b]) => (a < b ? -1 : 1))) {
  if (!zone.includes('/') || /^(Etc|US)\//.test(zone)) continue;
  byLatitude.set(deg, [...(byLatitude.get(deg) ?? []), zone]);
}
const rows = [...byLatitude]
  .sort(([a], [b]) => b - a)
  .map(([deg, zones]) => `${deg} ${zones.join(' ')}`);
writeFileSync(
  new URL('../core/src/asking/zones.ts', import.meta.url),
  `/** Made by \`npm run zones\`. A line: degrees of latitude, then the time zones whose chief place lies there. @source IANA time zone database ${version}, zone.tab; public domain */\n` +
    `export const ZONES = \`\n${rows.join('\n')}\n\`;\n`,
);

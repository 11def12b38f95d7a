import { percent } from '../number/index.ts';
import { potMaterial } from '../pots/index.ts';
import type { MediumKind } from '../media/index.ts';
import type { Spot } from '../season/index.ts';
import type { CoverOption, PotOption } from './options.ts';
import type { RungNote } from './rung.ts';
import { say, type Saying } from '../saying/index.ts';

/** What the notes on a pot rest on. */
export interface Noted {
  option: PotOption;
  spot: Spot;
  newKind: MediumKind;
  air: number;
  /** air of the same mix in the present pot */
  airNow: number;
  daysInGrowth: number;
  /** the same with a wall that lets nothing through */
  daysWithTightWall: number;
  useG: number;
  wetKg: number;
  /** the cover that the plant stands in now, and whether this pot goes into it */
  present: { cover: CoverOption; why: Saying | null } | null;
}

/** Air that differs by less from the present pot's is no news. */
const AIR_NEWS = 0.015;
const DAY_NEWS = 0.5;
/**
 * What material, wall and shape of a pot do: with their numbers where a model
 * has them, else as advice.
 *
 * @source advice: common practice, no source
 */
export function rungNotes(noted: Noted): RungNote[] {
  const { option, air, airNow, daysInGrowth, daysWithTightWall } = noted;
  const notes: RungNote[] = [];
  const number = (text: Saying) => notes.push({ kind: 'number', text });
  const advice = (text: Saying) => notes.push({ kind: 'advice', text });
  if (daysWithTightWall - daysInGrowth >= DAY_NEWS) {
    number(
      `${potMaterial(option.material).label} breathes: dry after ${daysInGrowth.toFixed(0)} days ` +
        `instead of ${daysWithTightWall.toFixed(0)} with a tight wall`,
    );
  }
  if (Math.abs(air - airNow) >= AIR_NEWS) {
    number(
      air > airNow
        ? `deeper medium drains better: ${percent(air)} air against ${percent(airNow)} in the present pot`
        : `shallower medium holds more water: ${percent(air)} air against ${percent(airNow)} in the present pot`,
    );
  }
  const { reservoirL = 0, wicks, tone, hangs } = option.features ?? {};
  if (reservoirL > 0) {
    const lasts = (reservoirL * 1000) / noted.useG;
    number(
      say`${{ litres: reservoirL }} below${wicks ? ` on ${wicks} wick${wicks > 1 ? 's' : ''}` : ''}: about ${lasts.toFixed(0)} days of water in growth`,
    );
  }
  if (hangs) number(say`hook and chain carry ${{ kg: noted.wetKg }} when wet`);
  if (tone === 'clear' || option.material === 'glass') {
    advice('clear: roots can be seen, and algae grow; wrap it dark or stand it in a cover');
  }
  if (tone === 'dark' && noted.spot.light === 'sun') {
    advice('dark walls heat up in the sun: shade the pot or stand it in a light cover');
  }
  if (option.material === 'fabric')
    advice('roots prune themselves at the cloth; stand it in a tray');
  if (option.material === 'net' && FINE.has(noted.newKind)) {
    advice('a fine mix falls through the mesh: line it with moss or fleece');
  }
  if (option.source === 'soaking') advice('it soaks still: free tomorrow, rinsed');
  if (option.source === 'handedDown') {
    const when = option.leftIn ? say`, in the week of ${{ day: option.leftIn }}` : '';
    advice(
      say`after ${option.leftBy ?? 'another plant'} has left it${when}: soak it overnight, rinse`,
    );
  }
  if (option.source === 'present') advice('its own pot again: scrub and rinse it first');
  if (noted.present?.why)
    advice(say`no longer goes into ${noted.present.cover.label}: ${noted.present.why}`);
  return notes;
}

const FINE: ReadonlySet<MediumKind> = new Set(['peatSoil', 'loam', 'mix', 'mineral']);

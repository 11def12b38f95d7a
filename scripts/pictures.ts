import { mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { nominalPot, resolveTaxon, type PotMaterialId } from '@fernbank/core';
import { PLANTS, type GardenPlant, type SpotName } from '../demo/garden.ts';
import { pictureFile, PICTURES } from '../demo/pictures.ts';
import { DRAWN } from '../server/src/shipped.ts';
import { outlineOf, type Outline } from '../web/src/components/cutaway/outline.ts';
import { WALL } from '../web/src/components/cutaway/wall.ts';
import { openBrowser } from './ownServer.ts';

/** Draws the pictures that the plants of the demo have of their life, into demo/pictures. */
const SIDE_PX = 440;
/** Above the plant and below its pot, in parts of what is seen. */
const AIR = { above: 0.08, below: 0.12 };

/** What stands behind them, within 100 × 100. */
const BEHIND: Record<SpotName, string> = {
  'Ticket hall':
    '<path d="M0 0H100V88H0Z" fill="#dcd3c1"/><path d="M62 10h26v40H62z" fill="#c3b79f"/><path d="M62 30h26M75 10v40" stroke="#a99c83" fill="none"/><path d="M0 70h100" stroke="#bdb09a"/>',
  'East glazing':
    '<path d="M0 0H100V88H0Z" fill="#dfe7e4"/><path d="M0 26h100M0 58h100M24 0v88M58 0v88M90 0v88" stroke="#b4c2bd" stroke-width="1.4" fill="none"/>',
  'Boiler landing':
    '<path d="M0 0H100V88H0Z" fill="#e0cbb6"/><path d="M0 14h100M0 28h100M0 42h100M0 56h100M0 70h100M18 0v14M52 0v14M84 0v14M36 14v14M70 14v14M18 28v14M52 28v14M84 28v14M36 42v14M70 42v14M18 56v14M52 56v14M84 56v14M36 70v18M70 70v18" stroke="#c9ae94" fill="none"/>',
  'Slipway porch':
    '<path d="M0 0H100V88H0Z" fill="#d5dbdd"/><path d="M12 0v88M26 0v88M40 0v88M54 0v88M68 0v88M82 0v88M96 0v88" stroke="#bac4c7" fill="none"/>',
  'Propagation shelf':
    '<path d="M0 0H100V88H0Z" fill="#ece6d2"/><path d="M10 6h80v4H10z" fill="#fbf6dd"/>',
};
const FLOOR = '<path d="M0 88H100V100H0Z" fill="#b79d7c"/><path d="M0 88h100" stroke="#8f7656"/>';

/** At one scale for all of a plant's pictures, so that one sees it grow. */
function drawn(kept: GardenPlant, outline: Outline, seenCm: number): string {
  const tall = seenCm * (1 + AIR.above + AIR.below);
  const floorY = seenCm * AIR.below;
  const cane = outline.support
    ? `<path d="M.6 ${outline.support.top}V${outline.support.bottom}" stroke="#8a6a42" stroke-width="1.2"/>`
    : '';
  const material: PotMaterialId = kept.material ?? 'plastic';
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${SIDE_PX}" height="${SIDE_PX}" style="display:block">
    <svg viewBox="0 0 100 100">${BEHIND[kept.spot]}${FLOOR}</svg>
    <svg viewBox="${-tall / 2} ${floorY - tall} ${tall} ${tall}">
      ${cane}
      <path d="${outline.stem}" fill="none" stroke="#6a7a4a" stroke-width=".9"/>
      <path d="${outline.leaves}" fill="#7a9a5c" stroke="#4d6638" stroke-width=".25"/>
      <path d="${outline.pot}" fill="${WALL[material]}"/>
    </svg>
  </svg>`;
}

rmSync(DRAWN, { recursive: true, force: true });
mkdirSync(DRAWN, { recursive: true });
const browser = await openBrowser();
const page = await browser.newPage({ viewport: { width: SIDE_PX, height: SIDE_PX } });
for (const [plant, taken] of Object.entries(PICTURES)) {
  const kept = PLANTS.find(({ name }) => name === plant)!;
  const outlines = taken.map(({ heightCm, rimCm, supportCm }) =>
    outlineOf(
      {
        name: plant,
        pot: nominalPot(rimCm, kept.trade),
        potMaterial: kept.material ?? 'plastic',
        heightCm,
        growthForm: resolveTaxon(kept.taxon)!.traits.growthForm,
        supportCm: supportCm ?? null,
        together: 1,
      },
      Infinity,
    ),
  );
  const seenCm = Math.max(...outlines.map(({ topY, halfCm }) => Math.max(-topY, 2 * halfCm)));
  for (const [which, outline] of outlines.entries()) {
    await page.setContent(`<body style="margin:0">${drawn(kept, outline, seenCm)}</body>`);
    await page.screenshot({ path: join(DRAWN, pictureFile(plant, which)) });
  }
  console.log(plant);
}
await browser.close();

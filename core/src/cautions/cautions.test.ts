import { describe, expect, it } from 'vitest';
import { CATALOGUE } from '../catalogue/index.ts';
import { COMPONENTS, component } from '../media/index.ts';
import { CAUTIONS, mixCautions, plantCautions } from './index.ts';

describe('cautions', () => {
  it('each is one or two plain lines, and what can poison defers to those who know', () => {
    for (const [id, text] of Object.entries(CAUTIONS)) {
      expect(text.length, id).toBeLessThan(170);
      expect(text, id).toMatch(/[.]$/);
    }
    expect(CAUTIONS.toxicToPeople).toMatch(/poison line/);
    expect(CAUTIONS.biohazard).toMatch(/doctor/);
    expect(CAUTIONS.pesticide).toMatch(/label/);
  });

  it('a plant’s own traits name theirs', () => {
    for (const { traits } of CATALOGUE) {
      expect(plantCautions(traits)).toHaveLength(traits.cautions.length);
    }
    expect(plantCautions({ cautions: ['irritantSap', 'toxicToPets'] })).toEqual([
      'sap',
      'toxicToPets',
    ]);
  });

  it('a mix names dust and germs once, whatever brings them', () => {
    expect(mixCautions(COMPONENTS)).toEqual(['dust', 'biohazard']);
    expect(mixCautions([component('perlite')])).toEqual(['dust']);
    expect(mixCautions([component('loamCompost')])).toEqual(['biohazard']);
    expect(mixCautions([component('grit')])).toEqual([]);
  });
});

import { describe, expect, it } from 'vitest';
import { GO_TO, PLACES, tabsOf, VIEWS, type PlaceId } from './places.ts';
import { router } from './router.ts';

const ids = Object.keys(PLACES) as PlaceId[];

describe('the views', () => {
  it.each(VIEWS.flatMap((one) => (one.tried ?? [one.path]).map((at) => [at, one] as const)))(
    '%s opens its own view, in its place and under its tab',
    (at, { path, place, under }) => {
      const found = router.resolve(at);
      expect(found.matched.at(-1)!.path).toBe(path);
      expect(found.meta.place).toBe(place);
      const tabs = tabsOf(place, found.meta.tab!).pages;
      expect(tabs.filter(({ here }) => here).map(({ to }) => to)).toEqual(
        tabs.some(({ to }) => to === (under ?? path)) ? [under ?? path] : [],
      );
    },
  );

  it.each(ids)('%s opens on a view of its own', (id) => {
    expect(router.resolve(PLACES[id].to).meta.place).toBe(id);
  });

  it('has a letter for each place, and none of them twice', () => {
    expect(Object.values(GO_TO).map(({ to }) => to)).toEqual(
      expect.arrayContaining(ids.map((id) => PLACES[id].to)),
    );
    expect(Object.keys(GO_TO).length).toBe(VIEWS.filter(({ key }) => key).length);
  });

  it('stands under a tab that there is', () => {
    for (const { under, place } of VIEWS) {
      if (under) expect(tabsOf(place, under).pages.some(({ here }) => here)).toBe(true);
    }
  });
});

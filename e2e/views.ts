/** Every view of the interface, on the demo garden. */
export const VIEWS = [
  '/rounds',
  '/verdicts',
  '/fit',
  '/aftercare',
  '/record',
  '/record/shelf',
  '/record/settings',
  '/plants/new',
  '/plants/5',
  '/plants/5/look',
  '/plants/5/verdict',
  '/plants/5/fit',
  '/plants/15/fit',
  '/plants/15/sheet',
  '/fit/cuts',
];

import {
  COMPONENTS,
  decide,
  nominalPot,
  RECIPES,
  resolveTaxon,
  TYPICAL_SPOT,
  withUsual,
  type Signals,
  type Situation,
} from '@fernbank/core';
import { flushPromises, mount, type VueWrapper } from '@vue/test-utils';
import { vi } from 'vitest';
import 'fake-indexeddb/auto';
import { createPinia, setActivePinia } from 'pinia';
import type { Component } from 'vue';
import { createMemoryHistory, createRouter } from 'vue-router';
import { createVuetify } from 'vuetify';
import * as components from 'vuetify/components';
import { VApp } from 'vuetify/components';
import { h } from 'vue';
import { completed } from './completed.ts';
import type {
  Fitting,
  PantryComponent,
  PantryRecipe,
  Plant,
  PlantFile,
  ShelfPot,
  Task,
} from '../api/types.ts';
import { useNotices } from '../stores/notices.ts';
import { usePantry } from '../stores/pantry.ts';
import { useSettings } from '../stores/settings.ts';

// Dialogs ask how much of the page is in view; there is no page here.
globalThis.visualViewport ??= Object.assign(new EventTarget(), {
  width: 1280,
  height: 800,
  scale: 1,
  offsetLeft: 0,
  offsetTop: 0,
}) as unknown as VisualViewport;

/** What was asked of the server, and a server that answers as it is told. */
export interface FakeServer {
  calls: {
    method: string;
    path: string;
    body: unknown;
    ifMatch: string | null;
    key: string | null;
  }[];
  /** answers by `METHOD /path`; a function decides anew each time; null is silence */
  answers: Record<string, unknown>;
}

const REFUSAL = Symbol('refusal');
interface Refusal {
  [REFUSAL]: true;
  status: number;
  error: { code: string; message: string; field?: string };
}
export const refuse = (
  status: number,
  message: string,
  field?: string,
  more: object = {},
): Refusal => ({
  [REFUSAL]: true,
  status,
  error: { code: 'invalid', message, ...(field ? { field } : {}), ...more },
});

/** The entry of the history that every write of the fake server becomes, and its way back. */
const DEED = 901;
const UNDO = `/history/${DEED}/undo`;

/** Takes back what the notice tells of. @returns whether that was asked of the server, by its deed, last */
export async function undoNotice(server: FakeServer): Promise<boolean> {
  const before = server.calls.length;
  await useNotices().undo();
  await flushPromises();
  return server.calls.slice(before).some(({ method, path }) => method === 'POST' && path === UNDO);
}

export function fakeServer(answers: Record<string, unknown>): FakeServer {
  const server: FakeServer = { calls: [], answers };
  globalThis.fetch = (async (url: string, init: RequestInit = {}) => {
    const method = init.method ?? 'GET';
    const path = String(url).replace(/^\/api/, '');
    const headers = new Headers(init.headers);
    server.calls.push({
      method,
      path,
      body: init.body ? JSON.parse(String(init.body)) : undefined,
      ifMatch: headers.get('If-Match'),
      key: headers.get('Idempotency-Key'),
    });
    const told =
      server.answers[`${method} ${path}`] ?? (path === UNDO ? { deed: DEED + 1 } : undefined);
    const answer = typeof told === 'function' ? (told() as unknown) : told;
    if (answer === null || answer === undefined) throw new TypeError('no answer');
    if (typeof answer === 'object' && REFUSAL in answer) {
      const { status, error } = answer as Refusal;
      return new Response(JSON.stringify({ error }), { status });
    }
    return new Response(JSON.stringify(completed(method, path, answer)), {
      status: method === 'POST' ? 201 : 200,
      headers: method === 'GET' ? {} : { 'X-Fernbank-Deed': String(DEED) },
    });
  }) as typeof fetch;
  return server;
}

export const TODAY = '2026-03-16';

/** A view as the keeper meets it: with its stores, its route and its theme. */
export async function open(
  view: Component,
  address: string,
  pattern = address,
  options: { pantry?: boolean } = {},
) {
  const pinia = createPinia();
  setActivePinia(pinia);
  useSettings().current.today = TODAY;
  if (options.pantry) await usePantry().load();
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [
      { path: pattern, component: view },
      { path: '/:rest(.*)*', component: { template: '<div />' } },
    ],
  });
  await router.push(address);
  const wrapper = mount(
    { render: () => h(VApp, null, { default: () => h(view) }) },
    {
      global: { plugins: [pinia, router, createVuetify({ components })] },
      attachTo: document.body,
    },
  );
  await flushPromises();
  await painted();
  // What the last test had left undone came to its end meanwhile, and took the word with its own stores.
  setActivePinia(pinia);
  return { wrapper, router };
}

/** What comes after the first painting has come. */
export async function painted(): Promise<void> {
  if (!vi.isFakeTimers()) {
    await new Promise<void>((done) => requestAnimationFrame(() => setTimeout(done)));
  }
  await flushPromises();
}

/** Opens a folded part of a page by its title. */
export async function unfold(wrapper: VueWrapper, title: string): Promise<void> {
  const part = wrapper.findAll('details').find((d) => d.find('summary').text() === title)!;
  (part.element as HTMLDetailsElement).open = true;
  await part.trigger('toggle');
}

/** The pantry as the server tells it when nothing was changed yet, with what is the keeper's own. */
export function pantryAnswers(
  own: Partial<Record<string, Partial<PantryComponent>>> = {},
): Record<string, unknown> {
  return {
    'GET /components': {
      items: COMPONENTS.map((component): PantryComponent => ({
        ...component,
        rev: own[component.id] ? 1 : 0,
        shipped: true,
        own: {},
        handling: {},
        wetting: null,
        grade: '',
        note: '',
        bagL: null,
        pricePerBag: null,
        bags: 0,
        openL: 0,
        kitchen: null,
        removed: false,
        ...own[component.id],
      })),
      nextCursor: null,
    },
    'GET /recipes': {
      items: RECIPES.map((recipe): PantryRecipe => ({
        ...recipe,
        rev: 0,
        shipped: true,
        removed: false,
      })),
      nextCursor: null,
    },
  };
}

export function situationOf(signals: Signals, over: Partial<Situation> = {}): Situation {
  return {
    traits: resolveTaxon('Davallia fejeensis')!.traits,
    date: TODAY,
    spot: { ...TYPICAL_SPOT, latitudeDeg: 54 },
    pot: nominalPot(14),
    medium: { kind: 'bark', recipe: 'barkEpiphyte' },
    lastRepot: '2024-05-01',
    signals,
    ...over,
  };
}

/** What every row is stamped with. */
/** An answer of a list that is whole. */
export const pages = <T>(items: T[]) => ({ items, nextCursor: null });

/** The first button whose words have this among them. */
export const button = (wrapper: VueWrapper, text: string) =>
  wrapper.findAll('button').find((candidate) => candidate.text().includes(text))!;

export const TASK: Task = {
  createdAt: '',
  updatedAt: '',
  id: 7,
  rev: 2,
  plantId: 5,
  repotId: 1,
  kind: 'look',
  rule: null,
  until: null,
  everyDays: null,
  moved: '',
  due: '2026-03-10',
  title: 'Look at 3 weeks',
  why: 'does it stand firm?',
  done: null,
};

export const STAMP = { id: 1, rev: 3, createdAt: '', updatedAt: '' };

export const PLANT: Plant = {
  ...STAMP,
  id: 5,
  name: 'Gangway',
  taxon: 'Davallia fejeensis',
  groupId: null,
  common: 'lacy hare’s-foot fern',
  group: 'epiphyteFern',
  groupLabel: 'ferns that walk and cling',
  spotId: 1,
  acquired: '2023-01-01',
  pot: nominalPot(14),
  potMaterial: 'plastic',
  potId: null,
  mediumKind: 'bark',
  recipeId: 'barkEpiphyte',
  mediumParts: null,
  lastRepot: '2024-05-01',
  heightCm: 30,
  supportCm: null,
  supportKind: null,
  supportSection: null,
  supportId: null,
  supportWish: {},
  stems: 1,
  together: 1,
  coverId: null,
  schools: {},
  goneOn: null,
  apartSince: null,
  clearedOn: null,
  traits: {},
  note: '',
};

export const SHELF: ShelfPot = {
  ...STAMP,
  id: 9,
  label: 'green 17',
  shape: nominalPot(17),
  material: 'plastic',
  emptyKg: null,
  count: 4,
  free: 4,
  role: 'pot',
  soaking: 0,
  soakingSince: null,
  apart: 0,
  holes: null,
  tone: null,
  reservoirL: 0,
  wicks: 0,
  hangs: false,
  drain: false,
};

/** What a plant could be fitted with: the one pot of the shelf. */
export const fittingOf = (over: Partial<Fitting> = {}): Fitting => ({
  pots: [SHELF],
  covers: [],
  presentCover: null,
  presentPot: null,
  supports: [],
  handDowns: [],
  promised: [],
  headroomCm: null,
  day: null,
  plan: null,
  ...over,
});

/** All that the server tells of one plant, judged by the core itself. */
export function fileOf(signals: Signals, over: Partial<Situation> = {}): PlantFile {
  const seen = situationOf(signals, over);
  const situation = {
    ...seen,
    schools: withUsual(seen.schools),
  } as PlantFile['situation'];
  return {
    plant: PLANT,
    taxon: resolveTaxon('Davallia fejeensis')!,
    spot: { ...STAMP, ...situation.spot, name: 'East glazing', sortOrder: 0 } as PlantFile['spot'],
    situation,
    decision: decide(situation),
    lookDue: { date: TODAY, why: '', worth: 0 },
    overrule: null,
    overrules: [],
    quarantine: null,
    learned: { pace: null, life: null, stays: 0 },
    outcomes: [],
    worked: null,
    reservoir: null,
    water: null,
    growth: null,
    photos: [],
    alike: [],
    height: { cm: 30, typical: false },
    support: null,
    cover: null,
    looks: [],
    repots: [],
    measurements: [],
    tasks: [],
  };
}

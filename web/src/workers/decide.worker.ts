import { decide } from '@fernbank/core';
import { expose } from 'comlink';

/** The core's judgement beside the page, so that a slider never waits for it. */
const judge = { decide };
export type Judge = typeof judge;
expose(judge);

import { expose } from 'comlink';
import highsLoader from 'highs';
import wasmUrl from 'highs/runtime?url';
import { dayPlanner } from './dayPlanner.ts';

/** Days are planned beside the page, which stays free to show how far the search has come. */
expose(dayPlanner(highsLoader({ locateFile: () => wasmUrl })));

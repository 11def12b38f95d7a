import { VIEWS as ALL } from '../web/src/places.ts';

/** Every view of the interface, on the demo garden. */
export const VIEWS = ALL.flatMap(({ path, tried = [path] }) => tried);

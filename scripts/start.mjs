import { build, install, serve } from './setup.mjs';

/** `npm start`: installs and builds as needed and starts with whatever the store holds, nothing at first. */
install();
build();
console.log(`Vine Knot is at ${await serve()}`);

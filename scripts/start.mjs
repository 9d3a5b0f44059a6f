import { ready } from './build.mjs';
import { mayServe, serve } from './serve.mjs';

await mayServe();
await ready('run');
await serve('start');

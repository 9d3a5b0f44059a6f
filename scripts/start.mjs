import { ready } from './build.mjs';
import { serve } from './serve.mjs';

await ready();
await serve('start');

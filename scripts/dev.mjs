import { install } from './bootstrap.mjs';
import { serve } from './serve.mjs';

await install()();
await serve('dev');

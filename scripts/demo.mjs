import { join } from 'node:path';
import { ROOT, install, step } from './bootstrap.mjs';
import { build } from './build.mjs';
import { serve } from './serve.mjs';

let bindingThere;
await step('packages', () => (bindingThere = install()));
await step('build', build);
await step('database', () => bindingThere());
await serve('start', { KEEN_BATTEN_DEMO: '1', KEEN_BATTEN_DB: process.env.KEEN_BATTEN_DB ?? join(ROOT, 'data', 'demo.sqlite') });

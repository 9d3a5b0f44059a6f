import { join } from 'node:path';
import { ROOT, install, step } from './bootstrap.mjs';
import { build } from './build.mjs';
import { mayServe, serve } from './serve.mjs';

await mayServe();
let bindingThere;
await step('1 of 4, packages', async () => (bindingThere = await install('run')));
await step('2 of 4, build', build);
await step('3 of 4, database', () => bindingThere());
const database = process.env.KEEN_BATTEN_DB ?? join(ROOT, 'data', 'demo.sqlite');
await step('4 of 4, demo workshop and first page', () => serve('start', { KEEN_BATTEN_DEMO: '1', KEEN_BATTEN_DB: database }));

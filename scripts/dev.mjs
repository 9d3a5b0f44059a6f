import { install } from './bootstrap.mjs';
import { mayServe, serve } from './serve.mjs';

await mayServe();
const bindingThere = await install();
await bindingThere();
await serve('dev');

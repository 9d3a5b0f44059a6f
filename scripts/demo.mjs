import { join } from 'node:path';
import { ROOT, install } from './bootstrap.mjs';
import { build } from './build.mjs';
import { serve } from './serve.mjs';

install();
build();
serve('start', { KEEN_BATTEN_DEMO: '1', KEEN_BATTEN_DB: process.env.KEEN_BATTEN_DB ?? join(ROOT, 'data', 'demo.sqlite') });

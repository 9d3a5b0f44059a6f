import { install } from './bootstrap.mjs';
import { build } from './build.mjs';
import { serve } from './serve.mjs';

install();
build();
serve('start');

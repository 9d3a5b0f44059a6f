import { install } from './bootstrap.mjs';
import { serve } from './serve.mjs';

install();
serve('dev');

import { buildApp } from './lib.mjs';

buildApp();

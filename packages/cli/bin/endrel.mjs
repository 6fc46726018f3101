#!/usr/bin/env node
// Registers the TypeScript loader, then hands over to the source.
import { register } from 'tsx/esm/api';

register();
const { run } = await import('../src/main.ts');
process.exitCode = await run(process.argv.slice(2));

// Writes what the answers lean on into docs, from the tables of the core.
import { writeFileSync } from 'node:fs';
import { factsText } from './facts.ts';

writeFileSync(new URL('../docs/facts.md', import.meta.url), factsText());

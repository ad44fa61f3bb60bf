export { completions } from '../../core/match/ask/complete.ts';

/** Letters of what a press is called: enough to tell all presses of a day apart, and short in a code. */
export const KEY = 6;

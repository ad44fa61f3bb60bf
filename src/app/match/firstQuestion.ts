/** Whether the address asks for the guided first question. */
export const asksFirst = (): boolean => new URLSearchParams(window.location.search).get('first') === '1';

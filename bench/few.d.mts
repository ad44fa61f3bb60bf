export function few<T>(whole: T, small: T): T;

import { type Form, form } from '../../core/standards/forms.ts';

/** What a form is called. */
export const formName = (key: Form): string => form(key).name;

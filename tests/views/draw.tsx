import { MantineProvider } from '@mantine/core';
import { type RenderResult, render } from '@testing-library/react';
import type { ReactNode } from 'react';

/** A part of a view, drawn without a browser: words, choices and presses; never layout. */
export const draw = (part: ReactNode): RenderResult =>
  render(part, { wrapper: ({ children }) => <MantineProvider env="test">{children}</MantineProvider> });

/** What is read of it, blanks as one. */
export const words = (of: Element): string => (of.textContent ?? '').replace(/\s+/g, ' ');

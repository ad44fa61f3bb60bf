import { MantineProvider } from '@mantine/core';
import type { ReactNode } from 'react';
import { theme } from './theme.ts';

/** What the library's components need around them. Colours are variables of the page: a part can stand by itself. */
export function Themed({ children }: { readonly children: ReactNode }) {
  return (
    <MantineProvider theme={theme} defaultColorScheme="auto" withCssVariables={false} withGlobalClasses={false}>
      {children}
    </MantineProvider>
  );
}

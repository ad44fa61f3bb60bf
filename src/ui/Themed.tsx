import { MantineProvider } from '@mantine/core';
import type { ReactNode } from 'react';
import { theme } from './theme.ts';

/** Day or night is the page's own to set: the library, told of no root, does not set it a second time. */
const noRoot = () => undefined;

/** What the library's components need around them. Colours are variables of the page: a part can stand by itself. */
export function Themed({ children }: { readonly children: ReactNode }) {
  return (
    <MantineProvider
      theme={theme}
      defaultColorScheme="auto"
      getRootElement={noRoot}
      withCssVariables={false}
      withGlobalClasses={false}
    >
      {children}
    </MantineProvider>
  );
}

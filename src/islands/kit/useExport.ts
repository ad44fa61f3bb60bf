import { useCallback } from 'react';
import { exportKit } from '../../app/kit/kitFile.ts';
import { kitRefusalText } from '../../text/kit/kitRefusal.ts';
import { download } from '../../ui/download.ts';
import { alarm } from '../../ui/notices.ts';
import { useStored } from '../../ui/useStored.ts';

/** Saves the kit as a file; says why where it cannot. */
export function useExport(): () => void {
  const stored = useStored();
  return useCallback(
    () =>
      void stored(async () => {
        const file = await exportKit();
        if (file.ok) download(file.value.name, file.value.text, 'application/json');
        else alarm(kitRefusalText(file.error));
      }),
    [stored],
  );
}

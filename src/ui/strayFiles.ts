import { STRAY_FILE } from '../text/kit/storeMessage.ts';
import { remark } from './notices.ts';

const isTextField = (target: EventTarget | null): boolean =>
  target instanceof HTMLTextAreaElement || (target instanceof HTMLInputElement && target.type !== 'file');

const hasFiles = (data: DataTransfer | null): boolean => [...(data?.types ?? [])].includes('Files');

const say = (): void => remark(STRAY_FILE);

/**
 * A picture pasted into a field of text is told of instead of being swallowed, and a file let fall on the page does not
 * take its place.
 */
export function watchStrayFiles(): () => void {
  const paste = (event: ClipboardEvent): void => {
    const data = event.clipboardData;
    if (isTextField(event.target) && hasFiles(data) && data?.getData('text') === '') say();
  };
  const over = (event: DragEvent): void => {
    if (hasFiles(event.dataTransfer) && !(event.target instanceof HTMLInputElement && event.target.type === 'file'))
      event.preventDefault();
  };
  const drop = (event: DragEvent): void => {
    if (event.defaultPrevented || !hasFiles(event.dataTransfer)) return;
    if (event.target instanceof HTMLInputElement && event.target.type === 'file') return;
    event.preventDefault();
    say();
  };
  document.addEventListener('paste', paste);
  document.addEventListener('dragover', over);
  document.addEventListener('drop', drop);
  return () => {
    document.removeEventListener('paste', paste);
    document.removeEventListener('dragover', over);
    document.removeEventListener('drop', drop);
  };
}

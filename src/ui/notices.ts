import { notifications } from '@mantine/notifications';

/** What is told before all else: behind three notices of what went well it would wait unseen. */
const FIRST = 1;

/** Says what went wrong, and stays until it is closed. Said twice, it stands there once, and is read out again. */
export function alarm(message: string): void {
  notifications.hide(message);
  notifications.show({ id: message, message, autoClose: false, role: 'alert', priority: FIRST });
}

/** Says something that stays until it is closed or its id is taken away. */
export const stay = (message: React.ReactNode, id?: string): void =>
  void notifications.show({ id, message, autoClose: false, priority: FIRST });

/** Says something in passing. */
export const remark = (message: string): void => void notifications.show({ message, role: 'status' });

import type { Body } from '../../core/kit/model.ts';
import { assertNever } from '../../core/result.ts';
import type { BodyGain, Comparison } from '../../core/shop/compare.ts';
import { modeTitle } from '../match/cell.ts';
import { VERDICT_WORDS } from '../match/verdict.ts';
import { either, minutesText, together } from '../quantity.ts';

/** What a body gets out of the dearer card. */
export function gainText(gain: BodyGain, bodies: readonly Body[]): string {
  const body = bodies.find(({ id }) => id === gain.bodyId);
  const modes = (ids: readonly string[]): string =>
    together(ids.flatMap((id) => body?.modes.find((mode) => mode.id === id) ?? []).map(modeTitle));
  switch (gain.code) {
    case 'unlocks':
      return `unlocks ${modes(gain.modeIds)}`;
    case 'loses':
      return `does not hold ${modes(gain.modeIds)}, which the other does`;
    case 'longer':
      return 'holds the same modes, for longer';
    case 'shorter':
      return 'holds the same modes, for less long';
    case 'no-use':
      return 'no use in this slot: it answers nothing better here';
    case 'no-slot':
      return 'neither enters a slot of it';
    default:
      return assertNever(gain);
  }
}

/** Minutes of both in each mode of a body that either can be recorded with; empty where there is none. */
export function minutesBesideText({ modes }: Comparison, bodyId: string, bodies: readonly Body[]): string {
  const body = bodies.find(({ id }) => id === bodyId);
  const side = ({ minutes, verdict }: Comparison['modes'][number]['plain']): string =>
    minutes === null
      ? VERDICT_WORDS[verdict].toLowerCase()
      : `${minutesText(minutes)} ${VERDICT_WORDS[verdict].toLowerCase()}`;
  return modes
    .filter((one) => one.bodyId === bodyId && (one.plain.minutes !== null || one.dear.minutes !== null))
    .map((one) => {
      const mode = body?.modes.find(({ id }) => id === one.modeId);
      const [plain, dear] = [side(one.plain), side(one.dear)];
      return `${mode ? modeTitle(mode) : ''}: ${plain === dear ? `${plain} with either` : `${plain}, with this ${dear}`}`;
    })
    .join(' · ');
}

/** To the minute; what lasts less than one still takes one. */
const wholeMinutes = (minutes: number): string => minutesText(Math.max(1, Math.round(minutes)));

/** What emptying each takes. */
export function offloadText({ offloadMinutes: [plain, dear] }: Comparison): string {
  if (plain === null || dear === null) return 'How long emptying takes is not known: a read speed is missing.';
  const saved = plain - dear;
  const each = `${wholeMinutes(plain)} against ${wholeMinutes(dear)}`;
  return Math.abs(saved) < 0.5
    ? `Emptied when full in the same time: ${each}.`
    : `Emptied when full in ${each}: ${saved > 0 ? `${wholeMinutes(saved)} sooner` : `${wholeMinutes(-saved)} later`}. Read speed only shortens copying; it does not help recording.`;
}

/** What is lost with one card. */
export function riskText({ atRisk }: Comparison): string {
  if (!atRisk) return 'There is no mode that both hold.';
  const [plain, dear] = atRisk;
  return plain === dear
    ? `As much is lost with either: up to ${minutesText(plain)}.`
    : `Up to ${minutesText(dear)} are lost with one of these, against ${minutesText(plain)}.`;
}

/** The verdict over both. */
export function worthText({ gains, onlyOffload }: Comparison, bodies: readonly Body[]): string {
  const unlocked = gains.filter(({ code }) => code === 'unlocks');
  const named = (some: readonly BodyGain[]): string =>
    either(some.flatMap(({ bodyId }) => bodies.find(({ id }) => id === bodyId)?.name ?? []));
  if (unlocked.length > 0) return `It unlocks modes of ${named(unlocked)}.`;
  if (onlyOffload) return 'It only speeds up copying. None of your modes needs it.';
  const longer = gains.filter(({ code }) => code === 'longer');
  if (longer.length > 0) return 'It covers no further modes; it only lasts longer.';
  if (gains.every(({ code }) => code === 'no-slot')) return 'Neither enters a camera of yours.';
  if (gains.some(({ code }) => code === 'loses')) return 'It holds less than the other.';
  return 'No use in the slots of your cameras: nothing you shoot needs it.';
}

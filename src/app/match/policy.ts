import { DEFAULT_POLICY, type Policy } from '../../core/match/policy.ts';
import { headroom } from '../../core/units/amount.ts';
import type { Settings } from '../../kit/kit.ts';

/** The policy that settings ask for; a headroom out of range (a damaged store) falls back to the default. */
export function policyOf(settings: Settings): Policy {
  const margin = headroom(settings.headroom);
  return { take: settings.take, headroom: margin.ok ? margin.value : DEFAULT_POLICY.headroom };
}

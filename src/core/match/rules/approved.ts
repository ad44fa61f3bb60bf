import type { Approval, Body, Card, Mode } from '../../kit/model.ts';
import { covers } from '../../units/amount.ts';
import type { BytesPerSecond, PerMille } from '../../units/brand.ts';
import { fromMegabits } from '../../units/convert.ts';
import type { Finding } from '../finding.ts';

interface ApprovalQuestion {
  readonly body: Pick<Body, 'approved'>;
  readonly mode: Pick<Mode, 'id'>;
  readonly card: Pick<Card, 'id'>;
  /** Peak of the picture alone: makers name the codec's rate, without what is written beside it. */
  readonly picture: BytesPerSecond;
  readonly headroom: PerMille;
  /** False in a slot slower than another of this body that the card enters: the maker cannot have meant it. */
  readonly inBestSeat: boolean;
  readonly doubted: boolean;
}

const speaksOf = ({ cardIds, modeIds, upToMbps }: Approval, cardId: string, modeId: string): boolean =>
  cardIds.includes(cardId) && (modeIds === null ? upToMbps !== null : modeIds.includes(modeId));

/** Which of two findings says more for the card. */
const RANK = { pass: 0, note: 1, short: 2, unknown: 3 } as const;

type ApprovedFinding = Extract<Finding, { rule: 'approved' }>;

/**
 * Whether the body's maker approves this card for this mode in writing; null where no approval names the card. One for
 * named modes holds as it is written; one up to a rate is asked for headroom as every promise is.
 */
export function approvedRule(asked: ApprovalQuestion): ApprovedFinding | null {
  const { body, mode, card, picture, headroom } = asked;
  const named = (body.approved ?? []).filter(({ cardIds }) => cardIds.includes(card.id));
  const found = named.map((approval): ApprovedFinding => {
    const { upToMbps, source } = approval;
    const upTo = upToMbps === null ? null : fromMegabits(upToMbps);
    const outcome =
      asked.doubted || !asked.inBestSeat || !speaksOf(approval, card.id, mode.id)
        ? 'unknown'
        : upTo === null || covers(upTo, picture, headroom)
          ? 'pass'
          : upTo >= picture
            ? 'note'
            : 'short';
    return { rule: 'approved', outcome, upTo, picture, source };
  });
  return found.sort((a, b) => RANK[a.outcome] - RANK[b.outcome])[0] ?? null;
}

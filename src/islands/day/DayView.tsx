import { Menu } from '@mantine/core';
import { useEffect, useMemo, useState } from 'react';
import { addPlan, deletePlan, fromTemplate, nextDayOf, templateOf } from '../../app/day/dayActions.ts';
import { DAY_LISTS, type DayViewKit } from '../../app/day/dayKit.ts';
import { newBlock, newPlan } from '../../app/day/newPlan.ts';
import { useDay } from '../../app/day/useDay.ts';
import { today } from '../../app/kit/today.ts';
import { policyOf } from '../../app/match/policy.ts';
import type { Plan } from '../../core/kit/plan.ts';
import { dateText } from '../../text/day/summary.ts';
import { LeaveDialog } from '../../ui/LeaveDialog.tsx';
import { leave } from '../../ui/leaving.ts';
import { part } from '../../ui/part.tsx';
import { useChange } from '../../ui/useChange.ts';
import { Shell } from '../shell/Shell.tsx';
import type { Beside } from './beside.ts';
import { DayEmpty } from './DayEmpty.tsx';
import css from './DayView.module.css';
import { PlannedPart } from './PlannedPart.tsx';

const SetupForm = part(() => import('./SetupForm.tsx'));
const LivePart = part(() => import('./LivePart.tsx'));

export default function DayView() {
  return (
    <Shell frame="day" lists={DAY_LISTS}>
      {(kit) => <Days kit={kit} />}
    </Shell>
  );
}

function asked(plans: readonly Plan[]): string | null {
  const id = new URLSearchParams(window.location.search).get('plan');
  return plans.some((plan) => plan.id === id && !plan.isTemplate) ? id : null;
}

function Days({ kit }: { readonly kit: DayViewKit }) {
  const { bodies, cards, settings } = kit;
  // biome-ignore lint/correctness/useExhaustiveDependencies: a policy is these two of the settings; others change nothing
  const policy = useMemo(() => policyOf(settings), [settings.take, settings.headroom]);
  const plans = useMemo(
    () => kit.plans.filter(({ isTemplate }) => !isTemplate).sort((a, b) => a.date.localeCompare(b.date)),
    [kit.plans],
  );
  const templates = kit.plans.filter(({ isTemplate }) => isTemplate);
  const [planId, setPlanId] = useState(() => asked(kit.plans));
  const [isLive, setLive] = useState(() => new URLSearchParams(window.location.search).get('at') === 'live');
  const [beside, setBeside] = useState<Beside>(null);
  const change = useChange();
  const plan = plans.find(({ id }) => id === planId) ?? plans[0] ?? null;
  const planned = useDay(kit, isLive ? null : plan, policy, { now: null, more: true });
  // biome-ignore lint/correctness/useExhaustiveDependencies: the address names the plan; what is planned in it changes nothing there
  useEffect(() => {
    const query = new URLSearchParams();
    if (planId && plan?.id === planId) query.set('plan', planId);
    if (isLive && plan) query.set('at', 'live');
    const text = query.toString();
    window.history.replaceState(null, '', window.location.pathname + (text ? `?${text}` : ''));
  }, [planId, plan?.id, isLive]);
  const add = (made: Plan): void =>
    leave(() => {
      void change(() => addPlan(made)).then((done) => {
        if (!done) return;
        setPlanId(made.id);
        setBeside(null);
      });
    });
  if (plan === null)
    return (
      <DayEmpty
        kit={kit}
        templates={templates}
        onNew={() => add(newPlan(cards))}
        onLike={(one) => add(fromTemplate(one, today()))}
      />
    );
  const names = plans.map(({ name }) => name);
  const numbered = (name: string): string => {
    const stem = name.replace(/ \d+$/, '');
    for (let n = 2; ; n += 1) if (!names.includes(`${stem} ${n}`)) return `${stem} ${n}`;
  };
  const open = (next: Beside): void => leave(() => setBeside(next));
  if (isLive) return <LivePart kit={kit} plan={plan} policy={policy} onLeave={() => setLive(false)} />;
  return (
    <div className={css.day}>
      <LeaveDialog />
      <div className={css.head}>
        <div className={css.title}>
          {plans.length > 1 ? (
            <select
              className={css.choose}
              aria-label="Which day"
              value={plan.id}
              onChange={({ currentTarget: { value } }) =>
                leave(() => {
                  setPlanId(value);
                  setBeside(null);
                })
              }
            >
              {plans.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          ) : (
            <h1>{plan.name}</h1>
          )}
          <p className="soft">{dateText(plan, bodies)}</p>
        </div>
        <div className={css.actions}>
          <button
            type="button"
            className="plain-button"
            onClick={() => open({ kind: 'block', block: newBlock(plan, bodies), isNew: true })}
          >
            Add a block
          </button>
          <button type="button" className="plain-button" onClick={() => open({ kind: 'setup' })}>
            Cards and disks
          </button>
          <Menu position="bottom-end" transitionProps={{ duration: 0 }} offset={6}>
            <Menu.Target>
              <button type="button" className="plain-button">
                More
              </button>
            </Menu.Target>
            <Menu.Dropdown>
              <Menu.Item component="a" href={`/sheet?plan=${encodeURIComponent(plan.id)}`}>
                Crew sheet of the day
              </Menu.Item>
              <Menu.Item onClick={() => void saveAs('ics', kit, plan)}>Alarms for a calendar (.ics)</Menu.Item>
              <Menu.Item onClick={() => void saveAs('csv', kit, plan)}>The day as CSV</Menu.Item>
              <Menu.Divider />
              <Menu.Item onClick={() => add(nextDayOf(plan, numbered(plan.name)))}>Copy to the next day</Menu.Item>
              <Menu.Item onClick={() => add(newPlan(cards))}>Another day</Menu.Item>
              {templates.map((one) => (
                <Menu.Item key={one.id} onClick={() => add(fromTemplate(one, today()))}>
                  Another day like {one.name}
                </Menu.Item>
              ))}
              <Menu.Item onClick={() => void change(() => addPlan(templateOf(plan)))}>Keep as a pattern</Menu.Item>
              {templates.map((one) => (
                <Menu.Item key={`gone ${one.id}`} onClick={() => void change(() => deletePlan(one))}>
                  Forget the pattern {one.name}
                </Menu.Item>
              ))}
              <Menu.Item
                onClick={() =>
                  leave(() => {
                    setBeside(null);
                    void change(() => deletePlan(plan));
                  })
                }
              >
                Delete this day
              </Menu.Item>
            </Menu.Dropdown>
          </Menu>
          <button type="button" className="ink-button" data-strong onClick={() => leave(() => setLive(true))}>
            On the day
          </button>
        </div>
      </div>
      <PlannedPart
        kit={kit}
        plan={plan}
        planned={planned}
        beside={beside}
        onOpen={open}
        onDone={() => setBeside(null)}
        onClose={() => open(null)}
      >
        {beside?.kind === 'setup' && (
          <SetupForm key={plan.id} kit={kit} plan={plan} onDone={() => setBeside(null)} onClose={() => open(null)} />
        )}
      </PlannedPart>
    </div>
  );
}

/** Files come with their first use. */
async function saveAs(kind: 'ics' | 'csv', kit: DayViewKit, plan: Plan): Promise<void> {
  const [{ dayFile }, { download }] = await Promise.all([
    import('../../app/day/dayFiles.ts'),
    import('../../ui/download.ts'),
  ]);
  const file = await dayFile(kind, kit, plan);
  if (file) download(file.name, file.text, file.type);
}

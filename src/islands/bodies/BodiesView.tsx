import { useRef, useState } from 'react';
import { deleteBody, duplicateBody } from '../../app/bodies/bodyActions.ts';
import { newBody } from '../../app/bodies/newItems.ts';
import type { Draft } from '../../app/kit/draft.ts';
import { unsavedNew } from '../../app/kit/unsaved.ts';
import type { ViewKit } from '../../app/kit/useKit.ts';
import type { Body } from '../../core/kit/model.ts';
import { download } from '../../ui/download.ts';
import { LeaveDialog } from '../../ui/LeaveDialog.tsx';
import { leave } from '../../ui/leaving.ts';
import { useChange } from '../../ui/useChange.ts';
import { useLastSeen } from '../../ui/useLastSeen.ts';
import { useStored } from '../../ui/useStored.ts';
import { Shell } from '../shell/Shell.tsx';
import css from './BodiesView.module.css';
import { BodyForm } from './BodyForm.tsx';
import { BodyList } from './BodyList.tsx';

const LISTS = ['bodies', 'cards'] as const;

export default function BodiesView() {
  return (
    <Shell frame="bodies" lists={LISTS}>
      {(kit) => <Bodies kit={kit} />}
    </Shell>
  );
}

type Open = { readonly kind: 'known'; readonly id: string } | { readonly kind: 'new'; readonly body: Draft<Body> };

/** What the address asks to open: `?open=` and an id. */
function openFromAddress(): Open | null {
  const id = new URLSearchParams(window.location.search).get('open');
  return id === null ? null : { kind: 'known', id };
}

function Bodies({ kit }: { readonly kit: ViewKit<'bodies' | 'cards'> }) {
  const { bodies } = kit;
  const [open, setOpen] = useState<Open | null>(openFromAddress);
  const change = useChange();
  const sheet = useRef<HTMLDivElement>(null);
  const first = bodies[0];
  const shown = open ?? (first ? ({ kind: 'known', id: first.id } as const) : null);
  const knownId = shown?.kind === 'known' ? shown.id : null;
  const { item: found, isGone } = useLastSeen(
    bodies.find(({ id }) => id === knownId),
    knownId,
  );
  const body = shown?.kind === 'new' ? shown.body : found;
  const remove = (one: Body): void =>
    void change(async () => {
      const written = await deleteBody(one);
      if (written.ok) setOpen(null);
      return written;
    });
  const copy = (one: Body): void => void change(() => duplicateBody(one, bodies));
  const stored = useStored();
  const give = (one: Body): void =>
    void stored(async () => {
      const { bodyFile } = await import('../../app/kit/giveAway.ts');
      const { name, text } = bodyFile(one);
      download(name, text, 'application/json');
    });
  const add = (): void => leave(() => setOpen({ kind: 'new', body: newBody() }));
  // A new body that was typed and never saved is still there to go on with.
  const unsaved = unsavedNew('bodies').filter(({ values: { id } }) => !bodies.some((one) => one.id === id));
  return (
    <div className={css.bodies}>
      <BodyList
        bodies={bodies}
        openId={body && shown?.kind === 'known' ? body.id : null}
        unsaved={unsaved.filter(({ values }) => values.id !== body?.id)}
        onOpen={(id) =>
          leave(() => {
            setOpen({ kind: 'known', id });
            requestAnimationFrame(() => sheet.current?.scrollIntoView({ block: 'start' }));
          })
        }
        onResume={({ values }) => leave(() => setOpen({ kind: 'new', body: values as Draft<Body> }))}
        onAdd={add}
      />
      <LeaveDialog />
      <div ref={sheet} className={css.sheet}>
        {body ? (
          <BodyForm
            key={body.id}
            body={body}
            isNew={shown?.kind === 'new'}
            isGone={shown?.kind === 'known' && isGone}
            cards={kit.cards}
            others={bodies}
            onSaved={(saved) => setOpen({ kind: 'known', id: saved.id })}
            onDelete={() => found && remove(found)}
            onDuplicate={() => found && copy(found)}
            onExport={() => found && give(found)}
            onDiscard={() => setOpen(null)}
          />
        ) : (
          <div className={css.empty}>
            <h2>No camera yet</h2>
            <p>Add each camera with its card slots and the modes you use, with their rates.</p>
            <button type="button" className="ink-button" data-strong onClick={add}>
              Add a camera
            </button>
          </div>
        )}
      </div>
    </div>
  );
}

import { useState } from 'react';
import { deleteBody, duplicateBody } from '../../app/kit/kitActions.ts';
import type { Body } from '../../core/kit/model.ts';
import type { Kit } from '../../kit/kit.ts';
import { undoNotice } from '../../ui/undoNotice.tsx';
import { useStored } from '../../ui/useStored.ts';
import { Shell } from '../shell/Shell.tsx';
import css from './BodiesView.module.css';
import { BodyForm } from './BodyForm.tsx';
import { BodyList } from './BodyList.tsx';
import { newBody } from './newItems.ts';

export default function BodiesView({ demo }: { readonly demo: boolean }) {
  return (
    <Shell frame="bodies" demo={demo}>
      {(kit) => <Bodies kit={kit} />}
    </Shell>
  );
}

type Open = { readonly kind: 'known'; readonly id: string } | { readonly kind: 'new'; readonly body: Body };

/** What the address asks to open: `?open=` and an id. */
function openFromAddress(): Open | null {
  const id = new URLSearchParams(window.location.search).get('open');
  return id === null ? null : { kind: 'known', id };
}

function Bodies({ kit }: { readonly kit: Kit }) {
  const { bodies } = kit;
  const [open, setOpen] = useState<Open | null>(openFromAddress);
  const stored = useStored();
  const first = bodies[0];
  const shown = open ?? (first ? ({ kind: 'known', id: first.id } as const) : null);
  const body = shown?.kind === 'new' ? shown.body : bodies.find(({ id }) => id === shown?.id);
  const remove = (one: Body): void =>
    void stored(async () => {
      const undo = await deleteBody(one.id);
      setOpen(null);
      undoNotice(`${one.name} deleted, with its modes and slots.`, undo);
    });
  const copy = (one: Body): void =>
    void stored(async () => undoNotice(`${one.name} duplicated.`, await duplicateBody(one, bodies)));
  return (
    <div className={css.bodies}>
      <BodyList
        bodies={bodies}
        openId={body && shown?.kind === 'known' ? body.id : null}
        onOpen={(id) => setOpen({ kind: 'known', id })}
        onAdd={() => setOpen({ kind: 'new', body: newBody() })}
      />
      <div className={css.sheet}>
        {body ? (
          <BodyForm
            key={body.id}
            body={body}
            isNew={shown?.kind === 'new'}
            cards={kit.cards}
            onSaved={(saved) => setOpen({ kind: 'known', id: saved.id })}
            onDelete={() => remove(body)}
            onDuplicate={() => copy(body)}
            onDiscard={() => setOpen(null)}
          />
        ) : (
          <div className={css.empty}>
            <h2>No body yet</h2>
            <p>A body is a camera: its slots, and the modes it writes with their rates.</p>
            <button
              type="button"
              className="ink-button"
              data-strong
              onClick={() => setOpen({ kind: 'new', body: newBody() })}
            >
              Add a body
            </button>
          </div>
        )}
      </div>
    </div>
  );
}

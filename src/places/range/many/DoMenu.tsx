'use client';
import { useRouter } from 'next/navigation';
import { Fragment } from 'react';
import { MANY_FILES, type ManyFiles } from '@/state/handover/many';
import { addSheet } from '@/state/handover/sheets';
import { lookAt } from '@/state/many/chosen';
import { forgetAct, type KeptAct } from '@/state/many/kept';
import { takeOffMany, type Target } from '@/state/many/preview';
import { useShop } from '@/state/shop/shop';
import { MenuGroup, MenuHeading, MenuLine, MenuRule, VerbMenu } from '@/ui/Menu';
import { tellDone } from '@/ui/tell';
import { withChosen } from '../../shell/address';
import { ACT_GROUPS, ACTS, isActId, type ActId } from './acts';

interface Props {
  targets: readonly Target[];
  onFiles: (kind: ManyFiles) => void;
}

/** Everything that can be done to all that is chosen. */
export function DoMenu({ targets }: Pick<Props, 'targets'>) {
  return (
    <VerbMenu label="Do to them…" spoken="What can be done to all that is chosen" align="end">
      <Lines targets={targets} />
    </VerbMenu>
  );
}

/** Everything that is made of all that is chosen, and where it is taken to. */
export function HandOverMenu({ targets, onFiles }: Props) {
  const router = useRouter();
  const fits = targets.flatMap(({ fit }) => fit ?? []);
  const line = (words: string, go: () => void) => (
    <MenuLine key={words} onSelect={go}>
      {words}
    </MenuLine>
  );
  return (
    <VerbMenu
      label="Hand over…"
      spoken="What is made of all that is chosen"
      align="end"
      disabled={fits.length === 0}
    >
      {line('Show them side by side', () => {
        router.push(withChosen('/beside'));
      })}
      {line('Put them in a pack…', () => {
        router.push(withChosen('/packs'));
      })}
      {line('Make pictures of them…', () => {
        router.push(withChosen('/pictures'));
      })}
      {line('Write their listings…', () => {
        router.push(withChosen('/listing'));
      })}
      {line('Lay them on a new sheet', () => {
        void addSheet(fits.map(({ id }) => id)).then(({ id }) => {
          router.push(`/sheets?sheet=${id}`);
        });
      })}
      {(Object.keys(MANY_FILES) as ManyFiles[]).map((kind) =>
        line(`Save ${MANY_FILES[kind].what}…`, () => {
          onFiles(kind);
        }),
      )}
    </VerbMenu>
  );
}

/** Each act with how many of the targets it can be done to; counted while the menu is open. */
function Lines({ targets }: Pick<Props, 'targets'>) {
  const { acts, lastAct } = useShop((shop) => shop.settings);
  const fits = targets.flatMap(({ fit }) => fit ?? []);
  const count = String(fits.length);
  const act = (id: ActId) => (
    <ActLine key={id} id={id} targets={targets} kept={{ act: id, answers: {} }}>
      {ACTS[id].name}
    </ActLine>
  );
  const line = (words: string, go: () => void) => (
    <MenuLine key={words} disabled={fits.length === 0} keys={count} onSelect={go}>
      {words}
    </MenuLine>
  );
  return (
    <>
      {lastAct && isActId(lastAct.act) && (
        <ActLine id={lastAct.act} targets={targets} kept={lastAct}>
          The same as last time: {ACTS[lastAct.act].name.replace('…', '').toLowerCase()}
        </ActLine>
      )}
      {acts.length > 0 && <Kept acts={acts} targets={targets} />}
      {ACT_GROUPS.map((group, index) => (
        <Fragment key={group[0]}>
          {(index > 0 || lastAct !== null || acts.length > 0) && <MenuRule />}
          {group.map(act)}
        </Fragment>
      ))}
      <MenuRule />
      {line('Take them off their blanks', () => {
        void takeOffMany(fits.map(({ id }) => id)).then(({ undo }) => {
          tellDone(`${fits.length} ${fits.length === 1 ? 'fit is' : 'fits are'} off.`, undo);
        });
      })}
    </>
  );
}

function ActLine({
  id,
  targets,
  kept,
  children,
}: {
  id: ActId;
  targets: readonly Target[];
  kept: KeptAct;
  children: React.ReactNode;
}) {
  const count = targets.filter(ACTS[id].takes).length;
  return (
    <MenuLine
      disabled={count === 0}
      keys={String(count)}
      onSelect={() => {
        lookAt(kept);
      }}
    >
      {children}
    </MenuLine>
  );
}

/** Acts that are kept by name, to be done again or forgotten. */
function Kept({
  acts,
  targets,
}: {
  acts: readonly (KeptAct & { name: string })[];
  targets: readonly Target[];
}) {
  return (
    <>
      <MenuHeading>kept by name</MenuHeading>
      {acts.map(
        ({ name, ...kept }) =>
          isActId(kept.act) && (
            <ActLine key={name} id={kept.act} targets={targets} kept={kept}>
              {name}
            </ActLine>
          ),
      )}
      <MenuGroup label="Forget one of them">
        {acts.map(({ name }) => (
          <MenuLine
            key={name}
            onSelect={() =>
              void forgetAct(name).then((undo) => {
                tellDone(`“${name}” is forgotten.`, undo);
              })
            }
          >
            {name}
          </MenuLine>
        ))}
      </MenuGroup>
    </>
  );
}

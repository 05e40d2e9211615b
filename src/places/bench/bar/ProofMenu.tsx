'use client';
import { toast } from '@/ui/toast';
import { INTENTS, type Intent } from '@/core/colour/press';
import { sentence } from '@/state/sentence';
import { choosePress, keepProfile, pressChoice, removeProfile } from '@/state/engine/press';
import { PROOF_MODES, useProof, type Hatched, type ProofMode } from '@/state/bench/proof';
import { useShop } from '@/state/shop/shop';
import { MenuHeading, MenuLine, MenuRule, VerbMenu } from '@/ui/Menu';
import { useFilePicker } from '@/ui/useFilePicker';
import { inkLimit } from '../live/proofing';
import type { Live } from '../live/useLive';
import { tellDone } from '@/ui/tell';

const MODE_WORDS: Record<ProofMode, string> = {
  designed: 'as designed',
  printed: 'as printed',
  paper: 'as printed, on paper white',
};
const INTENT_WORDS: Record<Intent, string> = {
  relative: 'relative, black point compensated',
  perceptual: 'perceptual',
  absolute: 'absolute, with the paper’s white',
};

/** How colours are shown, what is hatched, and which printing profile the house's prints go through. */
export function ProofMenu({ live }: { live: Live }) {
  const { mode, divider, hatched } = useProof();
  const shop = useShop();
  const { spec } = live.blank;
  const { profile, intent } = pressChoice(spec.id, shop);
  const bring = async (file: File) => {
    try {
      const kept = await keepProfile(file);
      await choosePress(spec.id, { profileId: kept.id });
      toast(`${spec.house} now prints through “${kept.name}”.`);
    } catch (error) {
      toast(sentence(error));
    }
  };
  const picker = useFilePicker('Printing profile', (file) => void bring(file));
  const hatches: [Hatched, string][] = [
    ['gamut', 'what the inks cannot reach'],
    ['ink', `more than ${inkLimit(live.blank)} % of ink`],
  ];
  return (
    <>
      {picker.input}
      <VerbMenu label={`Colours: ${MODE_WORDS[mode]}…`}>
        {PROOF_MODES.map((one) => (
          <Choice
            key={one}
            chosen={mode === one}
            onChoose={() => {
              useProof.setState({ mode: one, ...(one === 'designed' && { divider: null }) });
            }}
          >
            {MODE_WORDS[one]}
          </Choice>
        ))}
        <Choice
          chosen={divider !== null}
          onChoose={() => {
            useProof.setState(
              divider === null
                ? { divider: 0.5, mode: mode === 'designed' ? 'printed' : mode }
                : { divider: null },
            );
          }}
        >
          both, with a divider
        </Choice>
        <MenuRule />
        <MenuHeading>Hatched</MenuHeading>
        {hatches.map(([kind, words]) => (
          <Choice
            key={kind}
            chosen={hatched === kind}
            onChoose={() => {
              useProof.setState({ hatched: hatched === kind ? 'none' : kind });
            }}
          >
            {words}
          </Choice>
        ))}
        <MenuRule />
        <MenuHeading>{spec.house} prints through</MenuHeading>
        <Choice chosen={profile === null} onChoose={() => void choosePress(spec.id, { profileId: null })}>
          the shipped process inks
        </Choice>
        {[...shop.profiles.values()].map(({ id, name }) => (
          <Choice
            key={id}
            chosen={profile?.id === id}
            onChoose={() => void choosePress(spec.id, { profileId: id })}
          >
            {name}
          </Choice>
        ))}
        <MenuLine onSelect={picker.open}>a profile of its own…</MenuLine>
        {profile && (
          <MenuLine
            onSelect={() =>
              void removeProfile(profile.id).then((undo) => {
                tellDone(`“${profile.name}” is taken out.`, undo);
              })
            }
          >
            take “{profile.name}” out
          </MenuLine>
        )}
        <MenuRule />
        <MenuHeading>Intent</MenuHeading>
        {INTENTS.map((one) => (
          <Choice
            key={one}
            chosen={intent === one}
            onChoose={() => void choosePress(spec.id, { intent: one })}
          >
            {INTENT_WORDS[one]}
          </Choice>
        ))}
      </VerbMenu>
    </>
  );
}

/** A line of the menu that can be the chosen one. */
function Choice({
  chosen,
  onChoose,
  children,
}: {
  chosen: boolean;
  onChoose: () => void;
  children: React.ReactNode;
}) {
  return (
    <MenuLine onSelect={onChoose}>
      <span aria-hidden className="w-3">
        {chosen ? '✓' : ''}
      </span>
      <span>
        {children}
        {chosen && <span className="sr-only">, chosen</span>}
      </span>
    </MenuLine>
  );
}

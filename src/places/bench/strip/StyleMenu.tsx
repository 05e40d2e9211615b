'use client';
import { useState } from 'react';
import type { Lettering } from '@/core/type/schema';
import { inStyle } from '@/core/type/style';
import { forgetStyle, keepStyle } from '@/state/bench/styles';
import { useShop } from '@/state/shop/shop';
import { MenuHeading, MenuLine, MenuRule, VerbMenu } from '@/ui/Menu';
import { tellDone } from '@/ui/tell';
import { NameDialog } from '../../shell/NameDialog';

interface Props {
  lettering: Lettering;
  onSet: (change: (now: Lettering) => Partial<Lettering>) => void;
}

/** How these words are set, kept under a name, and kept styles for them. */
export function StyleMenu({ lettering, onSet }: Props) {
  const styles = useShop((shop) => shop.settings.styles);
  const [keeping, setKeeping] = useState(false);
  return (
    <>
      <VerbMenu label="Style…">
        {styles.length > 0 && <MenuHeading>set these words in</MenuHeading>}
        {styles.map((style) => (
          <MenuLine
            key={style.name}
            onSelect={() => {
              onSet((now) => inStyle(style, now));
            }}
          >
            <span className="max-w-72 truncate">{style.name}</span>
          </MenuLine>
        ))}
        {styles.length > 0 && <MenuRule />}
        <MenuLine
          onSelect={() => {
            setKeeping(true);
          }}
        >
          keep how these are set…
        </MenuLine>
        {styles.length > 0 && <MenuHeading>take out</MenuHeading>}
        {styles.map(({ name }) => (
          <MenuLine
            key={name}
            onSelect={() =>
              void forgetStyle(name).then((undo) => {
                tellDone(`The style “${name}” is taken out; words in it stay.`, undo);
              })
            }
          >
            <span className="max-w-72 truncate">{name}</span>
          </MenuLine>
        ))}
      </VerbMenu>
      {keeping && (
        <NameDialog
          title="Keep how these words are set"
          description="Font, spacing, colours, outline, shadow, slant and bend; other words are set so in one step, on any fit."
          label="name of the style"
          verb="Keep it"
          first=""
          onSaid={async (name) => {
            const undo = await keepStyle(name, lettering);
            setKeeping(false);
            tellDone(`“${name.trim()}” is a style.`, undo);
          }}
          onClose={() => {
            setKeeping(false);
          }}
        />
      )}
    </>
  );
}

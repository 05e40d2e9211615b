'use client';
import { toast } from '@/ui/toast';
import { EMBEDDING_WORDS, SHIPPED_FONTS } from '@/core/type/fonts';
import { sentence } from '@/state/sentence';
import { useShop } from '@/state/shop/shop';
import { addFont, removeFont } from '@/state/bench/type';
import { MenuHeading, MenuLine, MenuRule, VerbMenu } from '@/ui/Menu';
import { useFilePicker } from '@/ui/useFilePicker';
import { Hint } from '@/ui/Hint';
import { tellDone } from '@/ui/tell';

/** The font a text is set in: one that comes with Up Fit, or one the seller brings. */
export function FontMenu({ faceId, onFont }: { faceId: string; onFont: (faceId: string) => void }) {
  const own = useShop((shop) => shop.faces);
  const shipped = SHIPPED_FONTS.find(({ id }) => id === faceId);
  const brought = own.get(faceId);
  const name = shipped?.name ?? brought?.facts.name ?? 'font no longer here';
  const bring = async (file: File) => {
    try {
      const font = await addFont(file);
      onFont(font.id);
      toast(`${font.facts.name}: ${font.facts.glyphs} glyphs.`, {
        description: [EMBEDDING_WORDS[font.facts.embedding], font.facts.licence.slice(0, 160)]
          .filter(Boolean)
          .join(' '),
      });
    } catch (error) {
      toast(sentence(error));
    }
  };
  const picker = useFilePicker('Bring in a font', (file) => void bring(file));
  return (
    <span className="flex items-center gap-2">
      {picker.input}
      <VerbMenu label={`${name}…`}>
        {SHIPPED_FONTS.map(({ id, name: full, sort }) => (
          <MenuLine
            key={id}
            onSelect={() => {
              onFont(id);
            }}
          >
            <span className="grow">{full}</span>
            <span className="opacity-80">{sort}</span>
          </MenuLine>
        ))}
        {shipped && (
          <MenuLine
            onSelect={() => {
              window.open(`/fonts/${shipped.id}.licence.txt`, '_blank', 'noopener');
            }}
          >
            licence of {shipped.name} (Open Font License)…
          </MenuLine>
        )}
        <MenuRule />
        <MenuHeading>your own</MenuHeading>
        {[...own.values()].map(({ id, facts }) => (
          <MenuLine
            key={id}
            onSelect={() => {
              onFont(id);
            }}
          >
            <span className="max-w-56 grow truncate">{facts.name}</span>
            <span className="opacity-80">{facts.embedding}</span>
          </MenuLine>
        ))}
        <MenuLine onSelect={picker.open}>bring in a TTF, OTF or WOFF…</MenuLine>
        {brought && (
          <MenuLine
            onSelect={() =>
              void removeFont(brought.id).then((undo) => {
                tellDone(`${name} is taken out. Texts set in it keep their outlines.`, undo);
              })
            }
          >
            take {name} out again
          </MenuLine>
        )}
      </VerbMenu>
      {brought && brought.facts.embedding === 'restricted' && (
        <Hint words={EMBEDDING_WORDS.restricted}>
          <span className="text-look">licence: restricted</span>
        </Hint>
      )}
    </span>
  );
}

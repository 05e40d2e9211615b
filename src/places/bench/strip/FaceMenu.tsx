'use client';
import { toast } from 'sonner';
import { EMBEDDING_WORDS, SHIPPED_FACES } from '@/core/type/faces';
import { sentence } from '@/state/imports';
import { useShop } from '@/state/shop';
import { addFace, removeFace } from '@/state/type';
import { MenuHeading, MenuLine, MenuRule, VerbMenu } from '@/ui/Menu';
import { useFilePicker } from '@/ui/useFilePicker';
import { Hint } from '@/ui/Hint';

/** The face a text is set in: one that comes with Up Fit, or one the seller brings. */
export function FaceMenu({ faceId, onFace }: { faceId: string; onFace: (faceId: string) => void }) {
  const own = useShop((shop) => shop.faces);
  const shipped = SHIPPED_FACES.find(({ id }) => id === faceId);
  const brought = own.get(faceId);
  const name = shipped?.name ?? brought?.facts.name ?? 'face no longer here';
  const bring = async (file: File) => {
    try {
      const face = await addFace(file);
      onFace(face.id);
      toast(`${face.facts.name}: ${face.facts.glyphs} glyphs.`, {
        description: [EMBEDDING_WORDS[face.facts.embedding], face.facts.licence.slice(0, 160)]
          .filter(Boolean)
          .join(' '),
      });
    } catch (error) {
      toast(sentence(error));
    }
  };
  const picker = useFilePicker('Bring in a face of type', (file) => void bring(file));
  return (
    <span className="flex items-center gap-2">
      {picker.input}
      <VerbMenu label={`${name}…`}>
        {SHIPPED_FACES.map(({ id, name: full, sort }) => (
          <MenuLine
            key={id}
            onSelect={() => {
              onFace(id);
            }}
          >
            <span className="grow">{full}</span>
            <span className="opacity-80">{sort}</span>
          </MenuLine>
        ))}
        <MenuRule />
        <MenuHeading>your own</MenuHeading>
        {[...own.values()].map(({ id, facts }) => (
          <MenuLine
            key={id}
            onSelect={() => {
              onFace(id);
            }}
          >
            <span className="max-w-56 grow truncate">{facts.name}</span>
            <span className="opacity-80">{facts.embedding}</span>
          </MenuLine>
        ))}
        <MenuLine onSelect={picker.open}>bring in a TTF, OTF or WOFF…</MenuLine>
        {brought && <MenuLine onSelect={() => void removeFace(brought.id)}>take {name} out again</MenuLine>}
      </VerbMenu>
      {brought && brought.facts.embedding === 'restricted' && (
        <Hint words={EMBEDDING_WORDS.restricted}>
          <span className="text-look">licence: restricted</span>
        </Hint>
      )}
    </span>
  );
}

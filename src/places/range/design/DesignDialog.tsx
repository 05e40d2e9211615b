'use client';
import { toast } from '@/ui/toast';
import { sentence } from '@/state/sentence';
import { joinDesigns, renameDesign } from '@/state/shop/designs';
import { useShop } from '@/state/shop/shop';
import { Dialog, LeaveDialog } from '@/ui/Dialog';
import { MenuLine, VerbMenu } from '@/ui/Menu';
import { NameField } from '@/ui/NameField';
import { tellDone } from '@/ui/tell';
import { ArtworkList } from './ArtworkList';
import { IdeaForm } from './IdeaForm';

/** A design as a thing of its own: its name, its artworks, what it is for, and what it is joined with. */
export function DesignDialog({ designId, onClose }: { designId: string; onClose: () => void }) {
  const { designs } = useShop();
  const design = designs.get(designId);
  if (!design) return null;
  const others = [...designs.values()].filter(({ id }) => id !== designId).sort((a, b) => a.order - b.order);
  const rename = async (name: string) => {
    try {
      const { undo } = await renameDesign(designId, name);
      tellDone(`It is “${name}” everywhere; packs made before keep “${design.name}”.`, undo);
    } catch (error) {
      toast(sentence(error));
    }
  };
  const join = async (intoId: string, name: string) => {
    onClose();
    try {
      const { undo } = await joinDesigns(designId, intoId);
      tellDone(`“${design.name}” is part of “${name}” now.`, undo);
    } catch (error) {
      toast(sentence(error));
    }
  };
  return (
    <Dialog
      title="The design"
      className="top-10 max-h-[90vh] w-[min(94vw,860px)] overflow-auto"
      shade
      onClose={onClose}
    >
      <NameField
        value={design.name}
        label="Name of the design"
        onName={(name) => {
          void rename(name);
        }}
      />
      <div className="mt-3 grid gap-x-8 gap-y-4 min-[760px]:grid-cols-2">
        <ArtworkList design={design} others={others} />
        <IdeaForm key={designId} design={design} />
      </div>
      <div className="mt-4 flex items-center gap-4 border-t border-rule pt-3">
        <VerbMenu
          label="Join it to another design…"
          spoken={`Join ${design.name} to another design`}
          disabled={others.length === 0}
        >
          {others.map(({ id, name }) => (
            <MenuLine key={id} onSelect={() => void join(id, name)}>
              <span className="max-w-72 truncate">{name}</span>
            </MenuLine>
          ))}
        </VerbMenu>
        <LeaveDialog>Leave</LeaveDialog>
      </div>
    </Dialog>
  );
}

import { useEffect } from 'react';
import { toast } from '@/ui/toast';

/**
 * Files dropped where nothing takes them would be opened by the browser in place of the app: they are left alone, and the
 * places that want them are named.
 */
export function useStrayDrops(): void {
  useEffect(() => {
    const hold = (event: DragEvent) => {
      // A part of the page that takes files has said so by then; text dragged into a field is no file.
      if (event.defaultPrevented || !event.dataTransfer?.types.includes('Files')) return;
      event.preventDefault();
      if (event.type === 'dragover') event.dataTransfer.dropEffect = 'none';
      else toast('Nothing takes files here. Drop artwork on Artwork, on the range, or on a fit’s flat.');
    };
    addEventListener('dragover', hold);
    addEventListener('drop', hold);
    return () => {
      removeEventListener('dragover', hold);
      removeEventListener('drop', hold);
    };
  }, []);
}

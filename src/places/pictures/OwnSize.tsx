import { useState } from 'react';
import * as v from 'valibot';
import { PictureSizeSchema, type PictureStyle } from '@/core/mockup/schema';
import { Field } from '@/ui/Field';

const { width: WidthSchema } = PictureSizeSchema.entries;

/** A picture's width and height in px, as typed. */
export function OwnSize({ style, onStyle }: { style: PictureStyle; onStyle: (style: PictureStyle) => void }) {
  const [typed, setTyped] = useState({ width: String(style.width), height: String(style.height) });
  const side = (key: 'width' | 'height', label: string) => {
    const read = v.safeParse(WidthSchema, Number(typed[key].replace(/[,\s]|px/g, '')));
    return (
      <Field
        label={label}
        value={typed[key]}
        trouble={read.success ? null : 'A side has 64 to 6,000 px.'}
        note="px"
        onChange={(text) => {
          setTyped({ ...typed, [key]: text });
          const next = v.safeParse(WidthSchema, Number(text.replace(/[,\s]|px/g, '')));
          if (next.success) onStyle({ ...style, [key]: next.output });
        }}
      />
    );
  };
  return (
    <>
      {side('width', 'Width')}
      {side('height', 'Height')}
    </>
  );
}

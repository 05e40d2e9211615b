import { writeFileSync } from 'node:fs';
import { PNG } from 'pngjs';
import { test } from 'vitest';
import { shippedBlanks } from '@/core/blank/library';
import { drawScene } from '@/core/mockup/draw';
import { scenesFor } from '@/core/mockup/scenes';
import { modelOf, seenOf } from '@/core/product/model';
import { textureOf } from '@/core/product/texture';
test('x', () => {
  const S=300; const cols=7;
  const picks = process.env.ONLY!.split(',');
  const shots = picks.flatMap(id=>{ const b=shippedBlanks().find(b=>b.blank.id===id)!; return scenesFor(b).map(s=>({b,s})); });
  const rows=Math.ceil(shots.length/cols);
  const sheet = new PNG({ width: S*cols, height: S*rows });
  shots.forEach(({b,s}, k) => {
    const blank=b.blank; const c=blank.colours[Math.min(2,blank.colours.length-1)]!;
    const prints = new Map(b.faces.map(f=>{
      const w=300, h=Math.round(300*f.height/f.width); const data = new Uint8Array(w*h*4);
      for (let y=0;y<h;y++) for (let x=0;x<w;x++){ const o=(y*w+x)*4; const d=Math.hypot(x-w/2,y-h/2); if(d<h*0.35) data.set((Math.atan2(y-h/2,x-w/2)*6/3.14159+40|0)%2?[190,50,60,255]:[240,200,90,255],o);}
      return [f.id, textureOf({width:w,height:h,data,opaque:false},{left:-f.edge,top:-f.edge,width:f.width+2*f.edge,height:f.height+2*f.edge}, seenOf(f))] as const;}));
    const model=modelOf(b);
    const t=performance.now();
    const out = drawScene(s,[{model,look:{colour:c.hex,finish:c.finish??model.finish,ink:b.method.ink,prints}}],{colour:null,shadow:1},{width:S,height:S});
    console.log(k,blank.id,s.id, Math.round(performance.now()-t));
    const ox=(k%cols)*S, oy=Math.floor(k/cols)*S;
    for (let y=0;y<S;y++) for(let x=0;x<S;x++){ const a=(y*S+x)*4, o=((oy+y)*S*cols+ox+x)*4; sheet.data.set(out.data.subarray(a,a+4),o); }
  });
  writeFileSync('/tmp/x/scenes.png', PNG.sync.write(sheet));
});

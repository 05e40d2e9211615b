import { createRoot, extend, type ReconcilerRoot } from '@react-three/fiber';
import { expose } from 'comlink';
import type { Press } from '@/core/colour/press';
import * as THREE from 'three';
import type { ProductService, RoundProductShown } from './messages';
import { RoundScene } from './RoundScene';

// Only what the scene uses, so that the bundle does not carry the whole library.
const { AmbientLight, CircleGeometry, CylinderGeometry, DirectionalLight, Mesh } = THREE;
const { MeshBasicMaterial, MeshLambertMaterial } = THREE;
extend({ AmbientLight, CircleGeometry, CylinderGeometry, DirectionalLight });
extend({ Mesh, MeshBasicMaterial, MeshLambertMaterial });

let root: ReconcilerRoot<OffscreenCanvas> | undefined;
let laidOut = '';
let press: Press | null = null;
let pictures: ReadonlyMap<string, ImageBitmap> = new Map();

const frame = () => new Promise((next) => requestAnimationFrame(next));

const service: ProductService = {
  open: (canvas) => {
    root = createRoot(canvas);
  },
  addPicture: (artworkId, picture) => {
    pictures = new Map([...pictures, [artworkId, picture]]);
  },
  setPress: (next) => {
    press = next;
  },
  show: async (shown: RoundProductShown) => {
    if (!root) return;
    await layOut(root, shown.size);
    root.render(<RoundScene shown={shown} pictures={pictures} press={press} />);
    // One frame for the tree, one for the picture.
    await frame();
    await frame();
  },
  close: () => {
    root?.unmount();
    self.close();
  },
};

async function layOut(to: ReconcilerRoot<OffscreenCanvas>, size: RoundProductShown['size']): Promise<void> {
  const key = JSON.stringify(size);
  if (key === laidOut) return;
  laidOut = key;
  const { width, height, dpr } = size;
  await to.configure({
    frameloop: 'demand',
    flat: true,
    dpr,
    gl: { antialias: true, alpha: true },
    size: { width, height, top: 0, left: 0 },
  });
}

expose(service);

'use client';
import { useFrame, useThree } from '@react-three/fiber';
import { useEffect, useMemo } from 'react';
import * as THREE from 'three';
import { angleAt, printableHeight, VIEW_DISTANCE, wrapWidth } from '@/core/blank/kinds/wrap';
import type { WrapBody } from '@/core/blank/schema';
import type { Live } from '../useLive';
import { bodyProfile, handlePath } from './shapes';
import { drawTexture } from './texture';

/** Where a view is taken from: radians to the right of the front. */
export interface Eye {
  angle: number;
}

/** How far the eye is above the horizon, so that the lip shows as a ring. */
const ELEVATION = (11 * Math.PI) / 180;
const TURN = 2 * Math.PI;

/** The body, its handle and the print round it, at true scale in mm, drawn once for each eye. */
export function RoundScene({
  live,
  body,
  eyes,
  columns,
}: {
  live: Live;
  body: WrapBody;
  eyes: readonly Eye[];
  columns: number;
}) {
  const { blank, face, pieces, previews, fit } = live;
  const invalidate = useThree((state) => state.invalidate);
  const colour = blank.blank.colours.find(({ id }) => id === fit.colourId)?.hex ?? '#ffffff';
  const texture = useMemo(() => {
    const made = new THREE.CanvasTexture(document.createElement('canvas'));
    made.colorSpace = THREE.SRGBColorSpace;
    made.generateMipmaps = false;
    made.minFilter = THREE.LinearFilter;
    return made;
  }, []);
  useEffect(
    () => () => {
      texture.dispose();
    },
    [texture],
  );
  useEffect(() => {
    drawTexture(texture.image, face, pieces, previews, colour, blank.method.ink);
    texture.needsUpdate = true;
    invalidate();
  }, [texture, face, pieces, previews, colour, blank.method.ink, invalidate]);
  useEffect(invalidate, [eyes, invalidate]);
  useEyes(body, eyes, columns);

  const shapes = useMemo(() => {
    const handle = body.handle && new THREE.TubeGeometry(handlePath(body), 48, body.handle.thickness / 2, 14);
    handle?.scale(body.handle!.width / body.handle!.thickness, 1, 1);
    return { wall: new THREE.LatheGeometry(bodyProfile(body), 96), handle };
  }, [body]);
  const width = wrapWidth(body);
  const front = face.zones.find(({ id }) => id === 'front')!.x;
  const height = printableHeight(body);
  return (
    <>
      <ambientLight intensity={1.9} />
      <directionalLight position={[0, 0, 1]} intensity={1.35} name="lamp" />
      <mesh geometry={shapes.wall}>
        <meshLambertMaterial color={colour} side={THREE.DoubleSide} />
      </mesh>
      {shapes.handle && (
        <mesh geometry={shapes.handle}>
          <meshLambertMaterial color={colour} />
        </mesh>
      )}
      <mesh position={[0, body.foot + height / 2, 0]}>
        <cylinderGeometry
          args={[
            body.diameter / 2 + 0.12,
            body.diameter / 2 + 0.12,
            height,
            128,
            1,
            true,
            angleAt(body, -front),
            Math.min(TURN, angleAt(body, width)),
          ]}
        />
        <meshLambertMaterial map={texture} />
      </mesh>
      <mesh rotation={[-Math.PI / 2, 0, 0]} position={[0, -0.3, 0]} scale={[1.16, 1.16, 1]}>
        <circleGeometry args={[body.diameter / 2, 64]} />
        <meshBasicMaterial color="#000000" transparent opacity={0.2} />
      </mesh>
    </>
  );
}

/** Draws the scene once for each eye, side by side in one canvas. The lamp goes with the eye. */
function useEyes(body: WrapBody, eyes: readonly Eye[], columns: number): void {
  const camera = useMemo(() => new THREE.PerspectiveCamera(20, 1, 50, 2000), []);
  useFrame(({ gl, scene, size }) => {
    const lamp = scene.getObjectByName('lamp');
    const rows = Math.ceil(eyes.length / columns);
    const width = size.width / columns;
    const height = size.height / rows;
    const reach = body.diameter / 2 + (body.handle?.reach ?? 0);
    const tall = Math.max(body.height * 1.34, (reach * 2.25 * height) / width);
    gl.setScissorTest(true);
    gl.autoClear = true;
    eyes.forEach(({ angle }, index) => {
      const x = (index % columns) * width;
      const y = size.height - (Math.floor(index / columns) + 1) * height;
      const flat = Math.cos(ELEVATION) * VIEW_DISTANCE;
      camera.position.set(
        Math.sin(angle) * flat,
        body.height / 2 + Math.sin(ELEVATION) * VIEW_DISTANCE,
        Math.cos(angle) * flat,
      );
      camera.lookAt(0, body.height / 2 - body.height * 0.02, 0);
      camera.fov = (2 * Math.atan(tall / 2 / VIEW_DISTANCE) * 180) / Math.PI;
      camera.aspect = width / height;
      camera.updateProjectionMatrix();
      lamp?.position.set(Math.sin(angle - 0.5), 0.45, Math.cos(angle - 0.5));
      gl.setViewport(x, y, width, height);
      gl.setScissor(x, y, width, height);
      gl.render(scene, camera);
    });
  }, 1);
}

import { expose } from 'comlink';
import type { Facts } from '@/core/artwork/facts';
import { makeDocket } from '@/core/check/docket';
import { COARSE_GRID } from '@/core/check/face-findings';
import type { Press } from '@/core/colour/press';
import type { Raster } from '@/core/raster/raster';
import type { DocketService } from './docket-messages';

const artworks = new Map<string, { facts: Facts; raster: Raster }>();
let press: Press | null = null;

const service: DocketService = {
  keepArtwork: (id, artwork) => {
    artworks.set(id, artwork);
  },
  keepPress: (next) => {
    press = next;
  },
  measure: (fit, blank, unit) =>
    makeDocket(blank, fit, {
      facts: (id) => artworks.get(id)!.facts,
      pixels: (id) => artworks.get(id)!.raster,
      unit,
      press,
      coarse: COARSE_GRID,
    }),
};

expose(service);

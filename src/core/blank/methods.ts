import type { Method } from './schema';

/** Printing methods as data. */
export const METHODS: readonly Method[] = [
  {
    upfit: 'method/1',
    id: 'sublimation',
    name: 'Sublimation',
    ink: 'multiply',
    mirrored: true,
    knockout: false,
    softPrintsBadly: false,
  },
  {
    upfit: 'method/1',
    id: 'direct-to-garment',
    name: 'Direct to garment',
    ink: 'cover',
    mirrored: false,
    knockout: true,
    softPrintsBadly: true,
  },
  {
    upfit: 'method/1',
    id: 'digital-label',
    name: 'Digital label',
    ink: 'multiply',
    mirrored: false,
    knockout: false,
    softPrintsBadly: false,
  },
];

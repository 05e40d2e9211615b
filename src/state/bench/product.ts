/** Products and what is on them, drawn for the screen, as the bench may use it. */
export { ProductView } from '@/workers/product/client';
export type { LookAt, LookTold } from '@/workers/product/messages';
export { proofCanvas, type HatchedFound, type ProofAsked } from '@/workers/product/proof';
export { drawPieces, type PicturesShown } from '@/workers/product/pieces';

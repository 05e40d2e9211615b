/** The round product's views, as the bench may use them. */
export { ProductView } from '@/workers/product/client';

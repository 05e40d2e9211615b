import { orders } from '@/desk/routes';

interface At {
  params: Promise<{ houseId: string }>;
}

export async function GET(_request: Request, { params }: At) {
  return orders((await params).houseId);
}

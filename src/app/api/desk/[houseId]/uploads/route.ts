import { create } from '@/desk/routes';

interface At {
  params: Promise<{ houseId: string }>;
}

export async function POST(request: Request, { params }: At) {
  return create((await params).houseId, request);
}

import { finish } from '@/desk/routes';

interface At {
  params: Promise<{ houseId: string; uploadId: string }>;
}

export async function POST(_request: Request, { params }: At) {
  const { houseId, uploadId } = await params;
  return finish(houseId, uploadId);
}

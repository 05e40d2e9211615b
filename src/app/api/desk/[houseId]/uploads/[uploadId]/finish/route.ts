import { finish } from '@/desk/routes';

interface At {
  params: Promise<{ houseId: string; uploadId: string }>;
}

export async function POST(request: Request, { params }: At) {
  const { houseId, uploadId } = await params;
  return finish(houseId, uploadId, request);
}

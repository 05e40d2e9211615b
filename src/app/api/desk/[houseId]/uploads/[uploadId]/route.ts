import { part } from '@/desk/routes';

interface At {
  params: Promise<{ houseId: string; uploadId: string }>;
}

export async function PUT(request: Request, { params }: At) {
  const { houseId, uploadId } = await params;
  return part(houseId, uploadId, request);
}

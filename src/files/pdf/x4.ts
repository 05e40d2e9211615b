import { PDFDict, PDFHeader, PDFHexString, PDFName, PDFString, type PDFDocument } from '@cantoo/pdf-lib';

/** The printing condition that inks are meant for: its profile, and what that is called. */
export interface PrintingCondition {
  name: string;
  bytes: Uint8Array;
}

/**
 * Makes a document in inks PDF/X-4 (ISO 15930-7): its output intent with the profile, not trapped, an identity, and metadata
 * that says so. That its pages have a trim box, and no colour but inks, is for who draws them.
 */
export function makeX4(
  pdf: PDFDocument,
  title: string,
  condition: PrintingCondition,
  now = new Date(),
): void {
  const { context } = pdf;
  context.header = PDFHeader.forVersion(1, 6);
  setOutputIntent(pdf, condition);
  pdf.setTitle(title);
  pdf.setCreationDate(now);
  pdf.setModificationDate(now);
  const id = crypto.randomUUID();
  const mark = PDFHexString.of(id.replaceAll('-', ''));
  context.trailerInfo.ID = context.obj([mark, mark]);
  context.lookup(context.trailerInfo.Info, PDFDict).set(PDFName.of('Trapped'), PDFName.of('False'));
  const packet = metadata({
    title,
    id,
    now,
    creator: pdf.getCreator() ?? '',
    producer: pdf.getProducer() ?? '',
  });
  // As plain text: metadata is read without unpacking anything.
  const stream = context.stream(new TextEncoder().encode(packet), { Type: 'Metadata', Subtype: 'XML' });
  pdf.catalog.set(PDFName.of('Metadata'), context.register(stream));
}

/** ISO 32000-1, 14.11.5 */
function setOutputIntent(pdf: PDFDocument, { name, bytes }: PrintingCondition): void {
  const profile = pdf.context.register(pdf.context.flateStream(bytes, { N: 4 }));
  const intent = pdf.context.obj({
    Type: 'OutputIntent',
    S: 'GTS_PDFX',
    OutputConditionIdentifier: PDFString.of('Custom'),
    Info: PDFHexString.fromText(name),
    DestOutputProfile: profile,
  });
  pdf.catalog.set(PDFName.of('OutputIntents'), pdf.context.obj([pdf.context.register(intent)]));
}

interface Said {
  title: string;
  id: string;
  now: Date;
  creator: string;
  producer: string;
}

/** XMP (ISO 16684-1), in agreement with the document's own information. */
function metadata({ title, id, now, creator, producer }: Said): string {
  const day = `${now.toISOString().slice(0, 19)}Z`;
  const element = (name: string, value: string) => `<${name}>${escaped(value)}</${name}>`;
  return [
    '<?xpacket begin="\uFEFF" id="W5M0MpCehiHzreSzNTczkc9d"?>',
    '<x:xmpmeta xmlns:x="adobe:ns:meta/">',
    '<rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#">',
    '<rdf:Description rdf:about="" xmlns:dc="http://purl.org/dc/elements/1.1/" xmlns:xmp="http://ns.adobe.com/xap/1.0/" xmlns:xmpMM="http://ns.adobe.com/xap/1.0/mm/" xmlns:pdf="http://ns.adobe.com/pdf/1.3/" xmlns:pdfxid="http://www.npes.org/pdfx/ns/id/">',
    element('dc:format', 'application/pdf'),
    `<dc:title><rdf:Alt><rdf:li xml:lang="x-default">${escaped(title)}</rdf:li></rdf:Alt></dc:title>`,
    element('xmp:CreateDate', day),
    element('xmp:ModifyDate', day),
    element('xmp:MetadataDate', day),
    element('xmp:CreatorTool', creator),
    element('xmpMM:DocumentID', `uuid:${id}`),
    element('xmpMM:VersionID', '1'),
    element('xmpMM:RenditionClass', 'default'),
    element('pdf:Producer', producer),
    element('pdf:Trapped', 'False'),
    element('pdfxid:GTS_PDFXVersion', 'PDF/X-4'),
    '</rdf:Description></rdf:RDF></x:xmpmeta>',
    '<?xpacket end="w"?>',
  ].join('\n');
}

function escaped(text: string): string {
  return text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');
}

import {
  PDFArray,
  PDFDict,
  PDFHexString,
  PDFName,
  PDFRef,
  PDFString,
  type PDFDocument,
} from '@cantoo/pdf-lib';

/** What a line is for after the print (ISO 19593-1, group Structural): through everything, or the upper layer alone. */
export type ProcessingStep = 'Cutting' | 'PartialCutting';

/** The layer of a document that holds one processing step in one ink; made where it is asked for first. */
export function stepLayer(doc: PDFDocument, ink: string, step: ProcessingStep): PDFRef {
  const { context } = doc;
  const groups = layersOf(doc);
  const title = `${ink}, ${step === 'Cutting' ? 'cut through' : 'kiss cut'}`;
  for (let i = 0; i < groups.size(); i++) {
    const ref = groups.get(i);
    if (!(ref instanceof PDFRef)) continue;
    if (context.lookup(ref, PDFDict).lookup(PDFName.of('Name'), PDFHexString).decodeText() === title)
      return ref;
  }
  const layer = context.obj({
    Type: 'OCG',
    GTS_Metadata: { GTS_ProcStepsGroup: 'Structural', GTS_ProcStepsType: step },
  });
  layer.set(PDFName.of('Name'), PDFHexString.fromText(title));
  const ref = context.register(layer);
  groups.push(ref);
  return ref;
}

/** The document's layers, all on; their order is the one they are listed in. */
function layersOf({ catalog, context }: PDFDocument): PDFArray {
  const key = PDFName.of('OCProperties');
  const known = catalog.lookupMaybe(key, PDFDict);
  if (known) return known.lookup(PDFName.of('OCGs'), PDFArray);
  const groups = PDFArray.withContext(context);
  const ref = context.register(groups);
  catalog.set(key, context.obj({ OCGs: ref, D: { Name: PDFString.of('All'), ON: ref, Order: ref } }));
  return groups;
}

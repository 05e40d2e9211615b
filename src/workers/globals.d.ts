/** In workers only: reads a file in place, so that the engine can ask for its bytes while it works. */
declare class FileReaderSync {
  readAsArrayBuffer(part: Blob): ArrayBuffer;
}

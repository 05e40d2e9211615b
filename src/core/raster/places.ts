/** Places of pixels, gathered one after another: as many as there are, in a quarter of the memory of an array. */
export class Places {
  private list = new Int32Array(1 << 14);
  private count = 0;

  add(place: number): void {
    if (this.count === this.list.length) {
      const larger = new Int32Array(this.count * 2);
      larger.set(this.list);
      this.list = larger;
    }
    this.list[this.count++] = place;
  }

  all(): Int32Array {
    return this.list.subarray(0, this.count);
  }
}

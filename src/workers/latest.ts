/** Does work one piece at a time; of what waits meanwhile only the newest is done, since the hand has moved on. */
export class Latest<Job, Answer> {
  private next: { job: Job; answer: (answer: Answer | null) => void } | undefined;
  private working = false;

  constructor(private readonly work: (job: Job) => Promise<Answer>) {}

  /** The answer to a job; null where a newer one was asked for before its turn came. */
  ask(job: Job): Promise<Answer | null> {
    this.next?.answer(null);
    return new Promise((answer, fail) => {
      this.next = { job, answer };
      if (!this.working) this.run().catch(fail);
    });
  }

  private async run(): Promise<void> {
    this.working = true;
    try {
      for (let asked = this.next; asked; asked = this.next) {
        this.next = undefined;
        asked.answer(await this.work(asked.job));
      }
    } finally {
      this.working = false;
    }
  }
}

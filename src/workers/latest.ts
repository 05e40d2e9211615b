interface Asked<Job, Answer> {
  job: Job;
  answer: (answer: Answer | null) => void;
  fail: (error: unknown) => void;
}

/** Does work one piece at a time; of what waits meanwhile only the newest is done, since the hand has moved on. */
export class Latest<Job, Answer> {
  private next: Asked<Job, Answer> | undefined;
  private working = false;

  constructor(private readonly work: (job: Job) => Promise<Answer>) {}

  /** The answer to a job; null where a newer one was asked for before its turn came. One that fails is told of that alone. */
  ask(job: Job): Promise<Answer | null> {
    this.next?.answer(null);
    return new Promise((answer, fail) => {
      this.next = { job, answer, fail };
      if (!this.working) void this.run();
    });
  }

  private async run(): Promise<void> {
    this.working = true;
    for (let asked = this.next; asked; asked = this.next) {
      this.next = undefined;
      await this.work(asked.job).then(asked.answer, asked.fail);
    }
    this.working = false;
  }
}

/** Counts what a hand does: a press, a shortcut, a field filled. Typing of content is no action. */
export class Counted {
  readonly done: string[] = [];

  async act(name: string, run: () => Promise<unknown>): Promise<void> {
    this.done.push(name);
    await run();
  }
}

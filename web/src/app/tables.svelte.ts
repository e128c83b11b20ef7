/** Whether charts are shown as tables: one switch for all of them, one key away. */
class Tables {
  on = $state(false);

  readonly turn = (): void => {
    this.on = !this.on;
  };
}

export const tables = new Tables();

import type { Schemas } from '../api/client';

export interface Shown {
  title: string;
  /** One plain sentence, before the sums. */
  plain?: string;
  /** What else there is to say in plain words. */
  also?: string;
  steps: Schemas['StepOut'][];
}

/** The pane that shows how a number was got, with the cautions that bear on it. */
class Working {
  shown = $state<Shown | null>(null);
  advice = $state<Schemas['AdviceOut'][]>([]);
  folded = $state(false);
  /** Whether the phone's sheet is up. */
  raised = $state(false);

  show(shown: Shown | null): void {
    this.shown = shown;
  }

  /** She asked how: unfold the pane, or raise the sheet. */
  open(): void {
    this.folded = false;
    this.raised = true;
  }

  clear(): void {
    this.shown = null;
    this.advice = [];
    this.raised = false;
  }
}

export const working = new Working();

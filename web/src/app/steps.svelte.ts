import { searchParams } from 'sv-router';

/** How far a row of questions is, kept in the address: the browser's Back goes one step back. */
class Steps {
  at = $derived(Math.max(0, (Number(searchParams.get('step')) || 1) - 1));
  open = $derived(searchParams.has('step'));

  go(at: number): void {
    searchParams.set('step', at + 1);
  }

  leave(): void {
    if (searchParams.has('step')) searchParams.delete('step', undefined, { replace: true });
  }
}

export const steps = new Steps();

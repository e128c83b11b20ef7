/** The service worker: the shell stands offline, and a new version is offered, never forced. */
class Installed {
  /** A new version that waits to be taken. */
  fresh = $state<ServiceWorker | null>(null);

  async begin(): Promise<void> {
    if (!('serviceWorker' in navigator) || !import.meta.env.PROD) return;
    try {
      const found = await navigator.serviceWorker.register('/sw.js', { scope: '/' });
      this.watch(found);
    } catch {
      // a plain connection, or a private window: then there is no shell without a server
    }
  }

  /** Take the new version: it begins with the page loaded anew. */
  take(): void {
    navigator.serviceWorker.addEventListener('controllerchange', () => location.reload(), {
      once: true,
    });
    this.fresh?.postMessage('take over');
  }

  private watch(found: ServiceWorkerRegistration): void {
    if (found.waiting && navigator.serviceWorker.controller) this.fresh = found.waiting;
    found.addEventListener('updatefound', () => {
      const coming = found.installing;
      coming?.addEventListener('statechange', () => {
        if (coming.state === 'installed' && navigator.serviceWorker.controller) this.fresh = coming;
      });
    });
  }
}

export const installed = new Installed();

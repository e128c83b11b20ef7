/** What whoever is signed in may do: a viewer writes nothing, and sees no button that would. */
export const may = $state({ write: true });

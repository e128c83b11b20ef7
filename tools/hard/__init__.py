"""Hard use of a served Dace: requests that nobody would make, slow clients, sudden ends."""

import { openServices } from '#ui/bench/services.ts';

// The records open before the page wakes up: on a first visit they are filled meanwhile.
openServices();

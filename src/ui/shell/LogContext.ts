'use client';

import { createContext, use } from 'react';

/** Logging a take from any screen; given by the shell. */
export const LogContext = createContext<() => void>(() => undefined);
export const useLog = () => use(LogContext);

'use client';
import { useState } from 'react';
import { type Send, sender } from './sender';

/** The way to the workshop for the writes of a screen. */
export const useSend = (): Send => useState(sender)[0];

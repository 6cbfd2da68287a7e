import {
  Image,
  MessageSquareText,
  MoveHorizontal,
  RectangleHorizontal,
  Shapes,
  Sparkles,
  Speech,
  Type,
  Volume2,
} from '@lucide/vue'
import type { Component } from 'vue'
import type { PartKind } from '../../../core/parts/part.ts'

/** The mark of each kind of part. */
export const partIcons: Record<PartKind, Component> = {
  picture: Image,
  line: Type,
  message: MessageSquareText,
  sound: Volume2,
  backdrop: RectangleHorizontal,
  particles: Sparkles,
  ticker: MoveHorizontal,
  shape: Shapes,
  voice: Speech,
}

/** What each kind of part is called. */
export const partKindNames: Record<PartKind, string> = {
  picture: 'picture',
  line: 'line of text',
  message: 'message',
  sound: 'sound',
  backdrop: 'backdrop',
  particles: 'particles',
  ticker: 'running line',
  shape: 'shape',
  voice: 'voice',
}

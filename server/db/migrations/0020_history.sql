-- The words of an event that people look for, each once: letter for letter as `core/history/searchWords` has them.
CREATE FUNCTION thundercrest_words(data jsonb) RETURNS tsvector
LANGUAGE sql IMMUTABLE PARALLEL SAFE
AS $words$
  select array_to_tsvector(array(
    select left(word, 80)
    from regexp_split_to_table(
      regexp_replace(
        replace(lower(regexp_replace(normalize(concat_ws(' ',
          data #>> '{viewer,name}', data #>> '{message,text}', data #>> '{recipient,name}', data #>> '{reward,title}',
          data ->> 'input', data ->> 'command', data ->> 'arguments', data ->> 'item', data ->> 'levelName', data ->> 'goalTitle',
          data ->> 'sponsor', data ->> 'line'
        ), NFKD), '[\u0300-\u036f]', '', 'g')), 'ς', 'σ'),
        '([\u0e00-\u0eff\u1000-\u109f\u1780-\u17ff\u2190-\u2bff\u3040-\u30ff\u3400-\u4dbf\u4e00-\u9fff\U0001f000-\U0001faff\U00020000-\U0003ffff])',
        ' \1 ', 'g'
      ),
      '[\u0001-\u002f\u003a-\u0040\u005b-\u0060\u007b-\u00bf\u2000-\u206f\u2e00-\u2e7f\u3000-\u303f\ufe00-\ufe0f]+'
    ) as word
    where word <> ''
  ))
$words$;--> statement-breakpoint
ALTER TABLE "effect" ADD COLUMN "event_seq" bigint;--> statement-breakpoint
update effect set event_seq = event.seq from event where event.id = effect.event_id and not effect.is_again;--> statement-breakpoint
CREATE INDEX "effect_became" ON "effect" USING btree ("channel_id","outcome","event_seq") WHERE event_seq is not null and outcome is not null;--> statement-breakpoint
CREATE INDEX "event_of_kind" ON "event" USING btree ("channel_id","kind","seq");--> statement-breakpoint
CREATE INDEX "event_of_source" ON "event" USING btree ("channel_id","source","seq");--> statement-breakpoint
CREATE INDEX "event_of_viewer" ON "event" USING btree ("channel_id",(data -> 'viewer' ->> 'id'),"seq");--> statement-breakpoint
CREATE INDEX "event_of_day" ON "event" USING btree ("channel_id","received_at","seq");--> statement-breakpoint
CREATE INDEX "event_worth" ON "event" USING btree ("channel_id",(data ->> 'currency'),((data ->> 'amountMinor')::bigint)) WHERE data ->> 'amountMinor' is not null;--> statement-breakpoint
CREATE INDEX "event_words" ON "event" USING gin (thundercrest_words(data));
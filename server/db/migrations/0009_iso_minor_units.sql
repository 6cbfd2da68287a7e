-- Amounts are counted in the minor units of ISO 4217. Until here those of ICU were taken, which differ for these currencies
-- (no fillér, no thousandth of a dinar): what was counted in them is brought to the standard's. A factor for each.
create function pg_temp.minor_factor(code text) returns numeric language sql immutable as $$
  select case
    when code in ('AFN', 'ALL', 'COP', 'HUF', 'IDR', 'IRR', 'KPW', 'LAK', 'LBP', 'MGA', 'MMK', 'PKR', 'SLL', 'SOS', 'SYP', 'YER') then 100
    when code = 'IQD' then 1000
    else 1
  end::numeric
$$;
--> statement-breakpoint
-- Every comparison with an amount in a document, at any depth.
create function pg_temp.with_amounts(document jsonb, factor numeric) returns jsonb language plpgsql immutable as $$
declare
  changed jsonb := document;
  part record;
begin
  if jsonb_typeof(document) = 'array' then
    select coalesce(jsonb_agg(pg_temp.with_amounts(entry, factor) order by place), '[]'::jsonb) into changed
      from jsonb_array_elements(document) with ordinality as entries(entry, place);
  elsif jsonb_typeof(document) = 'object' then
    for part in select * from jsonb_each(document) loop
      changed := jsonb_set(changed, array[part.key], case
        when document ->> 'field' = 'amount' and document ? 'is' and part.key in ('value', 'from', 'to') and jsonb_typeof(part.value) = 'number'
          then to_jsonb(least((part.value #>> '{}')::numeric * factor, 1000000000))
        else pg_temp.with_amounts(part.value, factor)
      end);
    end loop;
  end if;
  return changed;
end
$$;
--> statement-breakpoint
update event set data = jsonb_set(data, '{amountMinor}', to_jsonb((data ->> 'amountMinor')::numeric * pg_temp.minor_factor(data ->> 'currency')))
  where data ? 'amountMinor' and pg_temp.minor_factor(data ->> 'currency') > 1;
--> statement-breakpoint
update event set data = jsonb_set(data, '{targetMinor}', to_jsonb((data ->> 'targetMinor')::numeric * pg_temp.minor_factor(data ->> 'currency')))
  where data ? 'targetMinor' and pg_temp.minor_factor(data ->> 'currency') > 1;
--> statement-breakpoint
-- A rate is what one minor unit of the other currency is worth in minor units of the channel's.
update channel set rates = (
    select coalesce(jsonb_object_agg(key, value::numeric * pg_temp.minor_factor(channel.currency) / pg_temp.minor_factor(key)), '{}'::jsonb)
      from jsonb_each_text(channel.rates)
  )
  where rates <> '{}'::jsonb;
--> statement-breakpoint
update channel set speech = jsonb_set(speech, '{limits,leastMinor}',
    to_jsonb(least((speech #>> '{limits,leastMinor}')::numeric * pg_temp.minor_factor(currency), 100000000)))
  where pg_temp.minor_factor(currency) > 1 and speech #>> '{limits,leastMinor}' is not null;
--> statement-breakpoint
update box set draft = pg_temp.with_amounts(draft, pg_temp.minor_factor(channel.currency))
  from channel where channel.id = box.channel_id and pg_temp.minor_factor(channel.currency) > 1;
--> statement-breakpoint
update box_version set document = pg_temp.with_amounts(document, pg_temp.minor_factor(channel.currency))
  from box, channel
  where box.id = box_version.box_id and channel.id = box.channel_id and pg_temp.minor_factor(channel.currency) > 1;

-- A mix held dusts alone; now washes are mixed of colours for paste too, so a part names a material. No other field was called dustId.
update piece set plan = replace(plan::text, '"dustId":', '"materialId":')::jsonb where plan::text like '%"dustId":%';

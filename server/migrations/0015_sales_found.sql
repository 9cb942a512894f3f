CREATE INDEX `loaf_events_sale` ON `loaf_events` ("happening" ->> '$.saleId');

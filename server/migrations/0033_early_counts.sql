ALTER TABLE `shop_offers` ADD `drop_id` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `shop_offers` ADD `opens_at` text;--> statement-breakpoint
ALTER TABLE `shop_offers` ADD `moments` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `shop_sales` ADD `audience` text DEFAULT '' NOT NULL;
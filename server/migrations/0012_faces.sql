ALTER TABLE `designs` ADD `face` text;--> statement-breakpoint
ALTER TABLE `designs` ADD `batter_hex` text;
ALTER TABLE `loaf_events` ADD `event_id` text;--> statement-breakpoint
CREATE UNIQUE INDEX `loaf_events_once` ON `loaf_events` (`event_id`);
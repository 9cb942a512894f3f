ALTER TABLE `bench_records` ADD `record_id` text;--> statement-breakpoint
CREATE UNIQUE INDEX `bench_records_record_id_unique` ON `bench_records` (`record_id`);
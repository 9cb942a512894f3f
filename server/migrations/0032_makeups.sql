ALTER TABLE `ingredients` ADD `makeup` text;--> statement-breakpoint
ALTER TABLE `recipes` ADD `meets_acids` integer DEFAULT false NOT NULL;
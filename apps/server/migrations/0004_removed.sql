ALTER TABLE `pages` ADD `removed_at` text;--> statement-breakpoint
ALTER TABLE `papers` ADD `removed_at` text;--> statement-breakpoint
ALTER TABLE `stock` ADD `removed_at` text;
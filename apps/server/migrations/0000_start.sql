CREATE TABLE `cuttings` (
	`id` text PRIMARY KEY NOT NULL,
	`page` text NOT NULL,
	`plan` text NOT NULL,
	`parts` text NOT NULL,
	`used` text NOT NULL,
	`kept` text NOT NULL,
	`cut_at` text NOT NULL,
	`undone_at` text
);
--> statement-breakpoint
CREATE INDEX `cuttings_page` ON `cuttings` (`page`);--> statement-breakpoint
CREATE TABLE `habits` (
	`id` integer PRIMARY KEY NOT NULL,
	`document` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `pages` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer NOT NULL,
	`document` text NOT NULL,
	`demo` integer DEFAULT false NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `papers` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`sides` text NOT NULL,
	`demo` integer DEFAULT false NOT NULL,
	`created_at` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `plans` (
	`id` text PRIMARY KEY NOT NULL,
	`page` text NOT NULL,
	`page_version` integer NOT NULL,
	`job` text NOT NULL,
	`plan` text NOT NULL,
	`created_at` text NOT NULL,
	FOREIGN KEY (`page`) REFERENCES `pages`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `plans_page` ON `plans` (`page`,`created_at`);--> statement-breakpoint
CREATE TABLE `stock` (
	`id` text PRIMARY KEY NOT NULL,
	`paper` text NOT NULL,
	`unit` text NOT NULL,
	`width` text NOT NULL,
	`height` text NOT NULL,
	`quantity` integer NOT NULL,
	`kind` text NOT NULL,
	`trim` text NOT NULL,
	`turned` integer NOT NULL,
	`reserved` integer NOT NULL,
	`origin` text,
	`demo` integer DEFAULT false NOT NULL,
	`created_at` text NOT NULL,
	FOREIGN KEY (`paper`) REFERENCES `papers`(`id`) ON UPDATE no action ON DELETE restrict,
	CONSTRAINT "stock_quantity" CHECK("stock"."quantity" >= 0)
);
--> statement-breakpoint
CREATE INDEX `stock_paper` ON `stock` (`paper`);
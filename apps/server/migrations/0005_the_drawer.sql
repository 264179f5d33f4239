CREATE TABLE `book` (
	`id` integer PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`seq` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `challenges` (
	`id` text PRIMARY KEY NOT NULL,
	`document` text NOT NULL,
	`created_at` text NOT NULL,
	`removed_at` text
);
--> statement-breakpoint
CREATE TABLE `searches` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`line` text NOT NULL,
	`created_at` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `steps` (
	`id` text PRIMARY KEY NOT NULL,
	`says` text NOT NULL,
	`papers` text NOT NULL,
	`lines` text NOT NULL,
	`count` integer NOT NULL,
	`at` text NOT NULL,
	`undone_at` text
);
--> statement-breakpoint
CREATE INDEX `steps_at` ON `steps` (`at`);--> statement-breakpoint
ALTER TABLE `cuttings` ADD `session` text;--> statement-breakpoint
ALTER TABLE `movements` ADD `held` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `movements` ADD `page` text;--> statement-breakpoint
ALTER TABLE `movements` ADD `place` text;--> statement-breakpoint
ALTER TABLE `movements` ADD `step` text;--> statement-breakpoint
CREATE INDEX `movements_cutting` ON `movements` (`cutting`);--> statement-breakpoint
CREATE INDEX `movements_step` ON `movements` (`step`);--> statement-breakpoint
ALTER TABLE `papers` ADD `weight` integer;--> statement-breakpoint
ALTER TABLE `papers` ADD `see_through` integer;--> statement-breakpoint
ALTER TABLE `papers` ADD `place` text;--> statement-breakpoint
ALTER TABLE `papers` ADD `price` integer;--> statement-breakpoint
ALTER TABLE `papers` ADD `pack` integer;--> statement-breakpoint
ALTER TABLE `papers` ADD `seq` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `plans` ADD `together` text;--> statement-breakpoint
ALTER TABLE `stock` ADD `reserves` text;--> statement-breakpoint
ALTER TABLE `stock` ADD `place` text;--> statement-breakpoint
ALTER TABLE `stock` ADD `came` text;--> statement-breakpoint
ALTER TABLE `stock` ADD `seq` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
CREATE INDEX `stock_seq` ON `stock` (`seq`);--> statement-breakpoint
UPDATE `stock` SET `came` = substr(`created_at`, 1, 10), `seq` = 1 WHERE length(`created_at`) >= 10;--> statement-breakpoint
UPDATE `papers` SET `seq` = 1;--> statement-breakpoint
INSERT INTO `book` (`id`, `name`, `seq`) VALUES (1, lower(hex(randomblob(8))), 1);--> statement-breakpoint
CREATE TRIGGER `stock_put_in` AFTER INSERT ON `stock` BEGIN
  UPDATE `book` SET `seq` = `seq` + 1;
  UPDATE `stock` SET `seq` = (SELECT `seq` FROM `book`) WHERE `id` = NEW.`id`;
END;--> statement-breakpoint
CREATE TRIGGER `stock_changed` AFTER UPDATE OF `paper`, `unit`, `width`, `height`, `quantity`, `kind`, `trim`, `turned`, `reserved`, `reserves`, `place`, `came`, `origin`, `outline`, `uncut`, `removed_at` ON `stock` BEGIN
  UPDATE `book` SET `seq` = `seq` + 1;
  UPDATE `stock` SET `seq` = (SELECT `seq` FROM `book`) WHERE `id` = NEW.`id`;
END;--> statement-breakpoint
CREATE TRIGGER `stock_gone` AFTER DELETE ON `stock` BEGIN
  UPDATE `book` SET `name` = lower(hex(randomblob(8)));
END;--> statement-breakpoint
CREATE TRIGGER `papers_put_in` AFTER INSERT ON `papers` BEGIN
  UPDATE `book` SET `seq` = `seq` + 1;
  UPDATE `papers` SET `seq` = (SELECT `seq` FROM `book`) WHERE `id` = NEW.`id`;
END;--> statement-breakpoint
CREATE TRIGGER `papers_changed` AFTER UPDATE OF `name`, `sides`, `weight`, `see_through`, `place`, `price`, `pack`, `revision`, `removed_at` ON `papers` BEGIN
  UPDATE `book` SET `seq` = `seq` + 1;
  UPDATE `papers` SET `seq` = (SELECT `seq` FROM `book`) WHERE `id` = NEW.`id`;
END;--> statement-breakpoint
CREATE TRIGGER `papers_out_or_back` AFTER UPDATE OF `removed_at` ON `papers` BEGIN
  UPDATE `stock` SET `paper` = `paper` WHERE `paper` = NEW.`id`;
END;--> statement-breakpoint
CREATE TRIGGER `papers_gone` AFTER DELETE ON `papers` BEGIN
  UPDATE `book` SET `name` = lower(hex(randomblob(8)));
END;

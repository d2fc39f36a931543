-- What lay in a zone when its colour was read, to learn of dusts and of the hand from it: which lots, how much of each coat. Of older entries that is not known.
alter table log_entry add column laid jsonb;

-- What a note or a block of a card reads is its text, as everywhere.
alter table care rename column says to text;
alter table card_block rename column says to text;

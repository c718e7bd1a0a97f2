-- Those who wrote records on another machine are known by name here; they have no address and no password.
alter table account alter column email drop not null;
alter table account alter column password_hash drop not null;
alter table account add constraint account_signs_in_or_not check ((email is null) = (password_hash is null));

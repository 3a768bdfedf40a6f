-- Writes of every kind, each a statement under its name. {n} is its number, {item} some item.
-- Each gives the addresses that it changes, or null.

-- the title of an item
update items set title = 'Item {n}' where id = {item} returning address_of(items);

-- a draft
update items set status = case status when 'draft' then 'published' else 'draft' end where id = {item}
returning address_of(items);

-- who may see an item
update items set audience = case when audience = '{everyone}' then '{members}'::text[] else '{everyone}' end
where id = {item} returning address_of(items);

-- a price
update items set fields = jsonb_set(fields, '{price}', to_jsonb(1 + {n} % 40)) where id = {item}
returning address_of(items);

-- an item that is removed
delete from items where id = {item} returning address_of(items);

-- the terms of an item
delete from item_term where (item_id, term_id) in (select item_id, term_id from item_term order by random() limit 1)
returning null;

-- a term
update terms set name = 'Term {n}', description = '<p>Words {n}</p>'
where id = (select id from terms order by random() limit 1)
returning case taxonomy_key when 'groups' then '/groups/' || slug end;

-- a module
update modules set live = jsonb_set(live::jsonb, '{name}', to_jsonb('Module {n}'::text))
where id = (select id from modules where live is not null order by random() limit 1) returning null;

-- a page
update pages set live = jsonb_set(live, '{title}', to_jsonb('Page {n}'::text))
where id = (select id from pages where live is not null and address not like '%{%' order by random() limit 1)
returning address;

-- a page that is gone
update pages set removed_at = case when removed_at is null then now() end where id = (
    select id from pages where address in ('/plots', '/people', '/groups/{group}') order by random() limit 1
) returning address;

-- where a page is in the order
update pages set position = {n} where address = '/shop' returning address;

-- the frame
update site_definitions set live = jsonb_build_object('format', 1, 'slots', jsonb_build_object(
    'header', jsonb_build_array(jsonb_build_object('block', 'menu', 'menu', 'main')),
    'footer', jsonb_build_array(jsonb_build_object('block', 'heading', 'text', 'Foot {n}'))
)) where kind = 'frame' returning null;

-- a menu
insert into site_definitions (kind, key, draft, live) select 'menu', 'main', menu, menu from jsonb_build_object(
    'format', 1, 'key', 'main', 'entries', jsonb_build_array(
        jsonb_build_object('page', 'shop'), jsonb_build_object('link', '/l-{n}', 'label', 'Link {n}')
    )
) as menu on conflict (kind, key) do update set live = excluded.live returning null;

-- what is said of a picture
update media set alt = 'Picture {n}' where id = (select id from media order by random() limit 1) returning null;

-- a person
update users set name = 'Person {n}' where id = (
    select id from users where role <> 'manager' order by random() limit 1
) returning null;

-- a group
insert into groups (key, name) values ('g-{n}', 'Group {n}') on conflict do nothing returning null;

-- a type
update types set definition = jsonb_set(
    definition::jsonb, '{properties,light,title}', to_jsonb('Light {n}'::text)
) where key = 'product' returning null;

-- an address that a page had
insert into moved_pages (address, page_id) select '/old-{n}', id from pages where address = '/shop'
on conflict do nothing returning address;

-- the site's settings
insert into site_definitions (kind, key, draft, live) select 'settings', 'settings', said, said from jsonb_build_object(
    'format', 1, 'name', 'Site {n}', 'locale', (array['en-GB', 'en-US', 'fr-FR'])[{n} % 3 + 1],
    'timeZone', (array['Europe/London', 'Asia/Kathmandu'])[{n} % 2 + 1], 'currency', 'GBP',
    'home', (array['home', 'shop', 'journal'])[{n} % 3 + 1], 'notFound', (array['people', 'plots'])[{n} % 2 + 1],
    'signUp', {n} % 2 = 0
) as said on conflict (kind, key) do update set live = excluded.live returning '/';

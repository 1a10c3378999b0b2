-- 4,500 more members of the demo's group, each with what one of its members shares.
with come as (
    insert into account (id, email, normalized_email, display_name, security_stamp)
    select gen_random_uuid(), format('m%s@port-ansel.example', n), format('M%s@PORT-ANSEL.EXAMPLE', n), 'Member ' || n, 'x' from generate_series(1, 4500) n
    returning id
), numbered as (
    select id, row_number() over () as at, gen_random_uuid() as share from come
), joined as (
    insert into group_member select desk.household_id, numbered.id, now() from numbered cross join group_desk desk returning account_id
), shares as (
    select *, row_number() over () as at, count(*) over () as many from group_share
), shared as (
    insert into group_share
    select shares.household_id, numbered.share, shares.protocols, shares.choices, shares.allergies, shares.portion_habit
    from numbered join shares on shares.at = 1 + numbered.at % shares.many
    returning id
)
select count(*) from joined, shared where false;

using Npgsql;

namespace Merienda.Web.Tests;

/// <summary>Every named constraint of the schema, with a statement on the demo household that it must refuse.</summary>
public class ConstraintTests(TestDatabase database)
{
    private const string Batch =
        "insert into batch (household_id, id, session_id, recipe_version_id, letter) select household_id, gen_random_uuid(), session_id, recipe_version_id,";
    private const string RemarkedAgain =
        "insert into cook_remark (household_id, batch_id, task_id, took_minutes, note, again) select app_household(),";
    private const string Weighed =
        "insert into weighing select household_id, id from eater limit 1; insert into body_weight select household_id, eater_id,";
    private const string AsBought =
        "update serving_item set batch_id = null, lot_id = null, portions = null, text = 'x', match_kind = 'None'";

    private const string Ready =
        "insert into serving_item (household_id, id, serving_id, position, is_chosen, text, match_kind) select household_id, gen_random_uuid(), id, 9, false,";
    private const string Box =
        "insert into container (household_id, id, batch_id, lot_id, grams, portions, number, parts, kind, material) select household_id, gen_random_uuid(), batch_id, id, '{}',";
    private const string Happened =
        "with box as (insert into container (household_id, id, batch_id, lot_id, grams, portions, number, kind, material) select household_id, gen_random_uuid(), batch_id, id, '{}', 1, 1, '', '' from lot limit 1 returning household_id, id) insert into container_event (household_id, id, container_id, at, happened_on, kind, portions, reason) select household_id, gen_random_uuid(), id, now(), current_date,";
    private const string Yield = "insert into part_yield (household_id, batch_id, part, gross_g, tare_g, vessel) select household_id, id,";
    private const string Version =
        "insert into recipe_version (household_id, id, recipe_id, number, name, portions, meal, keeping, reheating, at_eating, measure_system, created_at, created_by) select household_id, gen_random_uuid(), recipe_id,";
    private const string Line =
        "insert into recipe_line (household_id, recipe_version_id, line_id, position, part, text, food_version_id, match_kind, is_chosen) select household_id, recipe_version_id, gen_random_uuid(),";
    private const string UsualVariant = "insert into eater_variant (household_id, eater_id, recipe_id, variant) select id,";
    private const string Variant = "insert into recipe_variant (household_id, recipe_version_id, position, name) select household_id, id,";
    private const string VariantChange =
        "insert into recipe_variant_change (household_id, recipe_version_id, variant, position, line_id, part, times) select household_id, recipe_version_id, 99,";
    private const string Part =
        "insert into recipe_part (household_id, recipe_version_id, position, name, apart, keeping_reason, takes_off, goes_on, made_amount, made_unit) select household_id, id,";
    private const string Purchased =
        "insert into purchase (household_id, week_start, item_key, amount, cost, shop, bought_on) select id, current_date,";
    private const string Swapped = "insert into batch_swap (household_id, batch_id, line_id, was_key, food_key) select household_id,";
    private const string Paid = "insert into price (household_id, food_key, shop, amount, pack, grams, seen_on) select id,";
    private const string Bought = "insert into ready_choice (household_id, id, position, line, most_a_week) select";
    private const string Pinned = "insert into eater_pin (household_id, eater_id, position, measure) select household_id,";
    private const string Disliked = "insert into eater_dish (household_id, eater_id, recipe_id, part) select id,";
    private const string Collected = "insert into recipe_collection (household_id, recipe_id, name) select household_id,";
    private const string Pictured = "insert into picture (household_id, id, large, small, created_at, created_by) select";
    private const string Looks = "insert into recipe_picture (household_id, recipe_id, picture_id) select app_household(),";
    private const string Sought = "insert into solve_job (household_id, id, week_start, asked, found, kind, state) select app_household(),";
    private const string Ran =
        "insert into step_run (household_id, batch_id, task_id, put_minute, hands_off_at, until_at, done_at) select app_household(),";
    private const string Remarked = "insert into cook_remark (household_id, batch_id, task_id, took_minutes, note) select app_household(),";
    private const string Filter = "insert into library_filter (household_id, name, query) select id,";
    private const string Claim =
        "insert into recipe_claim (household_id, recipe_version_id, position, what, value, variant, part, said_of) select household_id, id,";
    private const string Said =
        "insert into recipe_version (household_id, id, recipe_id, number, name, portions, meal, keeping, reheating, at_eating, measure_system, created_at, created_by, source, note) select household_id, gen_random_uuid(), recipe_id, 99, name, portions, meal, keeping, '', '', measure_system, now(), created_by,";
    private const string Task =
        "insert into recipe_task (household_id, recipe_version_id, position, task_id, text, hands_on_minutes, unattended_minutes, appliance, temperature_c, after_tasks) select household_id, recipe_version_id,";

    private const string Desk = "insert into group_desk select app_household(), 'Circle';";
    private const string Menu = $"{Desk} insert into menu select app_household(), gen_random_uuid(),";
    private const string Drafted = $"{Desk} insert into menu select app_household(), app_household(), 'x', current_date, 7, '', '[]';";
    private const string Dish = $"{Drafted} insert into menu_dish select household_id, gen_random_uuid(), household_id,";
    private const string Published = $"{Drafted} insert into menu_version select app_household(), app_household(),";

    private const string Enclosed = "insert into enclosed_taken select app_household(), app_household(),";
    private const string Home = "insert into recipe_taken select app_household(), app_household(),";

    private const string Joined = $"{Desk} insert into group_member select app_household(), app_account(), now();";

    private static string Submitted(
        string account = "null",
        int number = 1,
        string state = "Waiting",
        string reply = "",
        string words = "",
        string content = "[]",
        string recipe = "null",
        string desk = Desk
    ) =>
        $"""
            {desk} insert into submission select app_household(), gen_random_uuid(), {account}::uuid, true, now(), {number}, '{state}', '{reply}',
            '{words}', '{content}', null, {recipe}::uuid
            """;

    private static string Questioned(
        string account = "null",
        string menu = "null",
        string day = "null",
        string words = "x",
        string answer = "",
        string answered = "null",
        bool isPinned = false,
        string picture = "null",
        string desk = Desk
    ) =>
        $"""
            {desk} insert into question select app_household(), gen_random_uuid(), {account}::uuid, true, now(), {menu}::uuid, {day}::integer, '',
            '{words}', '{answer}', {answered}::timestamptz, {isPinned}, false, {picture}::uuid;
            """;

    private static readonly string Step = Task.Replace(
        "after_tasks)",
        "after_tasks, waits_at_most, round_pieces, instead_appliance, instead_minutes)",
        StringComparison.Ordinal
    );
    private const string Account =
        "insert into account (id, email, normalized_email, display_name, security_stamp, access_failed_count) select";
    private const string Food =
        "insert into food_version (id, food_key, version, name, synonyms, aisle, label_basis, measures, classes, source, mark, fingerprint) select gen_random_uuid(),";

    private const string Packet =
        "insert into packet_version (household_id, id, packet_id, number, name, country, label_basis, serving, declared, statement, may_contain, pack, price, points, opened_days, classes, aisle, created_at, created_by) select household_id, gen_random_uuid(),";

    public static TheoryData<string, string> Refused =>
        new()
        {
            { "account_email_not_empty", $"{Account} gen_random_uuid(), '', 'X', 'X', '', 0" },
            { "account_email_unique", $"{Account} gen_random_uuid(), email, normalized_email, 'X', '', 0 from account limit 1" },
            { "account_name_length", $"{Account} gen_random_uuid(), 'a@b', 'A@B', '', '', 0" },
            { "account_failures_not_negative", $"{Account} gen_random_uuid(), 'a@b', 'A@B', 'X', '', -1" },
            { "household_name_length", "update household set name = ''" },
            { "household_member_key", "insert into household_member select * from household_member" },
            {
                "household_member_account",
                "insert into household_member select household_id, gen_random_uuid() from household_member limit 1"
            },
            { "eater_name_length", "update eater set name = ''" },
            { "eater_name_unique", "update eater set name = 'Same'" },
            { "eater_meal_slot", "update eater_meal set meal = 'elevenses' where meal = 'lunch'" },
            { "eater_meal_share_range", "update eater_meal set day_share = 1.5" },
            { "eater_meal_key", "insert into eater_meal select * from eater_meal limit 1" },
            { "eater_meal_eater", "update eater_meal set eater_id = gen_random_uuid()" },
            { "eater_protocol_key", "insert into eater_protocol select * from eater_protocol limit 1" },
            { "eater_protocol_eater", "update eater_protocol set eater_id = gen_random_uuid()" },
            { "allowance_at_least_not_negative", "update allowance set at_least = -1" },
            { "allowance_at_most_not_negative", "update allowance set at_most = -1" },
            { "allowance_states_something", "update allowance set at_least = null, at_most = null" },
            { "allowance_in_order", "update allowance set at_least = 5, at_most = 4" },
            { "allowance_key", "insert into allowance select * from allowance limit 1" },
            { "allowance_eater", "update allowance set eater_id = gen_random_uuid()" },
            { "food_version_from_one", $"{Food} 'x', 0, 'X', '{{}}', 'a', 'Total', '{{}}', '{{}}', 's', 'M', ''" },
            { "food_label_basis_known", $"{Food} 'x', 1, 'X', '{{}}', 'a', 'Half', '{{}}', '{{}}', 's', 'M', ''" },
            { "food_mark_known", $"{Food} 'x', 1, 'X', '{{}}', 'a', 'Total', '{{}}', '{{}}', 's', 'Q', ''" },
            { "food_version_unique", $"{Food} 'cod', 1, 'X', '{{}}', 'a', 'Total', '{{}}', '{{}}', 's', 'M', ''" },
            { "protocol_version_from_one", "insert into protocol_version values ('x', 0, '{}', '')" },
            { "protocol_version_key", "insert into protocol_version select * from protocol_version limit 1" },
            {
                "recipe_version_from_one",
                $"{Version} 0, name, portions, meal, keeping, '', '', measure_system, now(), created_by from recipe_version limit 1"
            },
            {
                "recipe_name_length",
                $"{Version} 9, '', portions, meal, keeping, '', '', measure_system, now(), created_by from recipe_version limit 1"
            },
            {
                "recipe_portions_range",
                $"{Version} 9, name, 0, meal, keeping, '', '', measure_system, now(), created_by from recipe_version limit 1"
            },
            {
                "recipe_version_slot",
                $"{Version} 9, name, portions, 'brunch', keeping, '', '', measure_system, now(), created_by from recipe_version limit 1"
            },
            {
                "recipe_measure_system_known",
                $"{Version} 9, name, portions, meal, keeping, '', '', 'Roman', now(), created_by from recipe_version limit 1"
            },
            {
                "recipe_version_author",
                $"{Version} 9, name, portions, meal, keeping, '', '', measure_system, now(), gen_random_uuid() from recipe_version limit 1"
            },
            {
                "recipe_version_number_unique",
                $"{Version} number, name, portions, meal, keeping, '', '', measure_system, now(), created_by from recipe_version limit 1"
            },
            { "recipe_line_length", $"{Line} 99, '', '', null, 'None', false from recipe_line limit 1" },
            { "recipe_line_food", $"{Line} 99, '', 'x', gen_random_uuid(), 'Exact', false from recipe_line limit 1" },
            { "recipe_line_match_known", $"{Line} 99, '', 'x', null, 'Perhaps', false from recipe_line limit 1" },
            {
                "recipe_line_id_unique",
                "insert into recipe_line (household_id, recipe_version_id, line_id, position, part, text, match_kind, is_chosen) select household_id, recipe_version_id, line_id, 99, '', 'x', 'None', false from recipe_line limit 1"
            },
            { "recipe_line_precision_known", "update recipe_line set precision = 'Guessed'" },
            { "recipe_line_eaten_range", "update recipe_line set eaten_share = 1.01" },
            { "recipe_line_fat_range", "update recipe_line set kept_fat = -0.01" },
            { "recipe_part_name_length", $"{Part} 0, repeat('x', 61), 'No', '', false, false, null, null from recipe_version limit 1" },
            { "recipe_part_apart_known", $"{Part} 0, 'x', 'Far', '', false, false, null, null from recipe_version limit 1" },
            { "recipe_part_reason_length", $"{Part} 0, 'x', 'No', repeat('x', 121), false, false, null, null from recipe_version limit 1" },
            { "recipe_part_made_range", $"{Part} 0, 'x', 'No', '', false, false, 0, 'Grams' from recipe_version limit 1" },
            { "recipe_part_made_unit_known", $"{Part} 0, 'x', 'No', '', false, false, 1, 'Bowls' from recipe_version limit 1" },
            { "recipe_part_made_whole", $"{Part} 0, 'x', 'No', '', false, false, 1, null from recipe_version limit 1" },
            {
                "recipe_part_key",
                $"{Part} 0, at, 'No', '', false, false, null, null from (select * from recipe_version limit 1) version, unnest(array['x', 'y']) at"
            },
            {
                "recipe_part_name_unique",
                $"{Part} at, 'x', 'No', '', false, false, null, null from (select * from recipe_version limit 1) version, generate_series(1, 2) at"
            },
            {
                "recipe_part_version",
                "insert into recipe_part (household_id, recipe_version_id, position, name, apart, keeping_reason, takes_off, goes_on) select household_id, gen_random_uuid(), 0, 'x', 'No', '', false, false from recipe_version limit 1"
            },
            { "recipe_line_variant", "update recipe_line set variant = 99" },
            {
                "recipe_line_instead_of",
                $"with made as ({Variant} 0, 'x' from recipe_version limit 1 returning household_id, recipe_version_id) insert into recipe_line (household_id, recipe_version_id, line_id, position, part, text, match_kind, is_chosen, variant, instead_of) select household_id, recipe_version_id, gen_random_uuid(), 99, '', 'x', 'None', false, 0, gen_random_uuid() from made"
            },
            { "recipe_line_instead_in_variant", "update recipe_line set instead_of = line_id" },
            { "recipe_variant_name_length", $"{Variant} 0, '' from recipe_version limit 1" },
            { "recipe_variant_key", $"{Variant} 0, at from (select * from recipe_version limit 1) version, unnest(array['x', 'y']) at" },
            {
                "recipe_variant_name_unique",
                $"{Variant} at, 'x' from (select * from recipe_version limit 1) version, generate_series(1, 2) at"
            },
            {
                "recipe_variant_version",
                "insert into recipe_variant (household_id, recipe_version_id, position, name) select household_id, gen_random_uuid(), 0, 'x' from recipe_version limit 1"
            },
            { "recipe_variant_change_times_range", $"{VariantChange} 0, line_id, null, 10.5 from recipe_line limit 1" },
            { "recipe_variant_change_of_one", $"{VariantChange} 0, line_id, 'x', 1 from recipe_line limit 1" },
            { "recipe_variant_change_variant", $"{VariantChange} 0, line_id, null, 1 from recipe_line limit 1" },
            {
                "recipe_variant_change_key",
                $"with made as ({Variant} 0, 'x' from recipe_version limit 1 returning household_id, recipe_version_id) insert into recipe_variant_change (household_id, recipe_version_id, variant, position, part, times) select household_id, recipe_version_id, 0, 0, 'x', 1 from made, generate_series(1, 2)"
            },
            {
                "recipe_variant_change_line",
                $"with made as ({Variant} 0, 'x' from recipe_version limit 1 returning household_id, recipe_version_id) insert into recipe_variant_change (household_id, recipe_version_id, variant, position, line_id, times) select household_id, recipe_version_id, 0, 0, gen_random_uuid(), 1 from made"
            },
            { "recipe_claim_value_range", $"{Claim} 99, 'Energy', -1, null, null, '' from recipe_version limit 1" },
            { "recipe_claim_variant_length", $"{Claim} 99, 'Energy', 1, '', null, '' from recipe_version limit 1" },
            { "recipe_claim_part_length", $"{Claim} 99, 'Energy', 1, null, repeat('x', 61), '' from recipe_version limit 1" },
            { "recipe_claim_print_length", $"{Claim} 99, 'Energy', 1, null, null, repeat('x', 65) from recipe_version limit 1" },
            {
                "recipe_claim_key",
                $"{Claim} 99, kind, 1, null, null, '' from (select household_id, id from recipe_version limit 1) version, (values ('Luck'), ('Salt')) kinds(kind)"
            },
            {
                "recipe_claim_once",
                $"{Claim} place, 'Luck', 1, null, null, '' from (select household_id, id from recipe_version limit 1) version, generate_series(98, 99) place"
            },
            {
                "recipe_claim_version",
                "insert into recipe_claim (household_id, recipe_version_id, position, what, value, said_of) select household_id, gen_random_uuid(), 0, 'Fat', 1, '' from recipe_version limit 1"
            },
            { "recipe_version_source_length", $"{Said} repeat('x', 301), '' from recipe_version limit 1" },
            { "recipe_version_note_length", $"{Said} '', repeat('x', 4001) from recipe_version limit 1" },
            { "recipe_line_key", $"{Line} position, '', 'x', null, 'None', false from recipe_line limit 1" },
            { "recipe_task_hands_on_range", $"{Task} 99, 'z', 'x', 1441, 0, 'None', null, '{{}}' from recipe_task limit 1" },
            { "recipe_task_unattended_range", $"{Task} 99, 'z', 'x', 0, -1, 'None', null, '{{}}' from recipe_task limit 1" },
            { "recipe_task_temperature_range", $"{Task} 99, 'z', 'x', 0, 0, 'Oven', 351, '{{}}' from recipe_task limit 1" },
            {
                "recipe_task_waits_range",
                $"{Step} 99, 'z', 'x', 0, 0, 'None', null, '{{}}', 1441, null, null, null from recipe_task limit 1"
            },
            { "recipe_task_round_range", $"{Step} 99, 'z', 'x', 0, 0, 'None', null, '{{}}', null, 0, null, null from recipe_task limit 1" },
            {
                "recipe_task_instead",
                $"{Step} 99, 'z', 'x', 0, 0, 'None', null, '{{}}', null, null, 'AirFryer', null from recipe_task limit 1"
            },
            { "recipe_task_id_unique", $"{Task} 99, task_id, 'x', 0, 0, 'None', null, '{{}}' from recipe_task limit 1" },
            {
                "prep_session_date_unique",
                "insert into prep_session select household_id, gen_random_uuid(), cooked_on, eaten_from, starts_at, 1, 'x' from prep_session limit 1"
            },
            { "prep_session_cooks_range", "update prep_session set cooks = 0" },
            { "prep_session_name_length", "update prep_session set name = ''" },
            { "prep_session_eaten_after", "update prep_session set eaten_from = cooked_on + 10" },
            { "batch_letter_form", $"{Batch} 'a' from batch limit 1" },
            { "batch_letter_unique", $"{Batch} letter from batch limit 1" },
            {
                "eater_variant_length",
                $"{UsualVariant} (select id from eater limit 1), (select id from recipe limit 1), '' from household limit 1"
            },
            {
                "eater_variant_key",
                $"{UsualVariant} (select id from eater limit 1), (select id from recipe limit 1), 'x' from household, generate_series(1, 2)"
            },
            { "eater_variant_eater", $"{UsualVariant} gen_random_uuid(), (select id from recipe limit 1), 'x' from household limit 1" },
            { "eater_variant_recipe", $"{UsualVariant} (select id from eater limit 1), gen_random_uuid(), 'x' from household limit 1" },
            {
                "eater_dish_part_length",
                $"{Disliked} (select id from eater limit 1), (select id from recipe limit 1), repeat('x', 61) from household limit 1"
            },
            {
                "eater_dish_key",
                $"{Disliked} (select id from eater limit 1), (select id from recipe limit 1), 'x' from household, generate_series(1, 2)"
            },
            { "ready_choice_line_length", $"{Bought} id, gen_random_uuid(), 0, '', 1 from household limit 1" },
            { "ready_choice_most_range", $"{Bought} id, gen_random_uuid(), 0, 'x', 51 from household limit 1" },
            {
                "ready_choice_key",
                $"{Bought} id, '{Guid.Empty}', 0, 'x', 1 from (select * from household limit 1) home, generate_series(1, 2)"
            },
            { "purchase_key_length", $"{Purchased} '', '', 1, '', current_date from household limit 1" },
            { "purchase_amount_length", $"{Purchased} 'x', repeat('x', 61), 1, '', current_date from household limit 1" },
            { "purchase_cost_range", $"{Purchased} 'x', '', -0.01, '', current_date from household limit 1" },
            { "purchase_shop_length", $"{Purchased} 'x', '', 1, repeat('x', 61), current_date from household limit 1" },
            {
                "purchase_key",
                $"{Purchased} 'x', '', 1, '', current_date from (select * from household limit 1) home, generate_series(1, 2)"
            },
            { "staple_food_length", "insert into staple (household_id, food_key) select id, '' from household limit 1" },
            {
                "staple_key",
                "insert into staple (household_id, food_key) select id, 'x' from (select * from household limit 1) home, generate_series(1, 2)"
            },
            { "batch_swap_was_length", $"{Swapped} id, '{Guid.Empty}', '', 'x' from batch limit 1" },
            { "batch_swap_food_length", $"{Swapped} id, '{Guid.Empty}', 'x', '' from batch limit 1" },
            { "batch_swap_other", $"{Swapped} id, '{Guid.Empty}', 'x', 'x' from batch limit 1" },
            { "batch_swap_batch", $"{Swapped} '{Guid.Empty}', '{Guid.Empty}', 'x', 'y' from batch limit 1" },
            { "batch_swap_key", $"{Swapped} id, '{Guid.Empty}', 'x', 'y' from (select * from batch limit 1) one, generate_series(1, 2)" },
            { "price_food_length", $"{Paid} '', '', 1, 'x', 1, current_date from household limit 1" },
            { "price_shop_length", $"{Paid} 'x', repeat('x', 61), 1, 'x', 1, current_date from household limit 1" },
            { "price_amount_range", $"{Paid} 'x', '', 100000.01, 'x', 1, current_date from household limit 1" },
            { "price_pack_length", $"{Paid} 'x', '', 1, '', 1, current_date from household limit 1" },
            { "price_grams_range", $"{Paid} 'x', '', 1, 'x', 0, current_date from household limit 1" },
            { "price_key", $"{Paid} 'x', '', 1, 'x', 1, current_date from (select * from household limit 1) home, generate_series(1, 2)" },
            { "eater_pin_position_range", $"{Pinned} id, 4, 'energy' from eater limit 1" },
            { "eater_pin_measure_length", $"{Pinned} id, 0, '' from eater limit 1" },
            { "eater_pin_key", $"{Pinned} id, 0, 'x' || n from (select * from eater limit 1) eater, generate_series(1, 2) n" },
            { "eater_pin_once", $"{Pinned} id, n, 'x' from (select * from eater limit 1) eater, generate_series(1, 2) n" },
            { "eater_pin_eater", $"{Pinned} gen_random_uuid(), 0, 'x' from eater limit 1" },
            { "eater_dish_eater", $"{Disliked} gen_random_uuid(), (select id from recipe limit 1), '' from household limit 1" },
            { "eater_dish_recipe", $"{Disliked} (select id from eater limit 1), gen_random_uuid(), '' from household limit 1" },
            { "recipe_collection_name_length", $"{Collected} id, '' from recipe limit 1" },
            { "recipe_collection_key", $"{Collected} id, 'x' from (select * from recipe limit 1) recipe, generate_series(1, 2)" },
            { "recipe_collection_recipe", $"{Collected} gen_random_uuid(), 'x' from recipe limit 1" },
            { "library_filter_name_length", $"{Filter} '', 'x' from household limit 1" },
            { "library_filter_query_length", $"{Filter} 'x', '' from household limit 1" },
            { "library_filter_key", $"{Filter} 'x', 'y' from (select * from household limit 1) household, generate_series(1, 2)" },
            { "picture_large_size", $"{Pictured} household_id, gen_random_uuid(), '', small, created_at, created_by from picture" },
            {
                "picture_small_size",
                $"{Pictured} household_id, gen_random_uuid(), large, convert_to(repeat('x', 1000001), 'utf8'), created_at, created_by from picture"
            },
            { "picture_account", $"{Pictured} household_id, gen_random_uuid(), large, small, created_at, gen_random_uuid() from picture" },
            { "picture_key", $"{Pictured} household_id, id, large, small, created_at, created_by from picture" },
            { "recipe_picture_key", $"{Looks} recipe_id, picture_id from recipe_picture" },
            { "recipe_picture_recipe", $"{Looks} gen_random_uuid(), picture_id from recipe_picture" },
            {
                "recipe_picture_picture",
                $"{Looks} (select id from recipe where not exists (select 1 from recipe_picture where recipe_id = recipe.id) limit 1), gen_random_uuid() from household limit 1"
            },
            { "step_run_task_length", $"{Ran} id, '', 5, null, null, null from batch limit 1" },
            { "step_run_put_range", $"{Ran} id, 'x', 2881, null, null, null from batch limit 1" },
            { "step_run_key", $"{Ran} id, 'x', 5, null, null, null from (select * from batch limit 1) batch, generate_series(1, 2)" },
            { "step_run_batch", $"{Ran} gen_random_uuid(), 'x', 5, null, null, null from household limit 1" },
            { "step_run_runs_on", $"{Ran} id, 'x', 5, now(), now() - interval '1 minute', null from batch limit 1" },
            { "step_run_says_something", $"{Ran} id, 'x', null, null, null, null from batch limit 1" },
            { "cook_remark_task_length", $"{Remarked} id, repeat('x', 121), 5, '' from batch limit 1" },
            { "cook_remark_took_minutes_range", $"{Remarked} id, 'x', 0, '' from batch limit 1" },
            { "cook_remark_note_length", $"{Remarked} id, 'x', 5, repeat('x', 401) from batch limit 1" },
            { "cook_remark_key", $"{Remarked} id, 'x', 5, '' from (select * from batch limit 1) batch, generate_series(1, 2)" },
            { "cook_remark_batch", $"{Remarked} gen_random_uuid(), 'x', 5, '' from household limit 1" },
            { "cook_remark_says_something", $"{Remarked} id, 'x', null, '' from batch limit 1" },
            { "solve_job_kind", $"{Sought} gen_random_uuid(), now(), '{{}}', '{{}}', 'Dream', 'Done'" },
            { "solve_job_state", $"{Sought} gen_random_uuid(), now(), '{{}}', '{{}}', 'Fill', 'Tired'" },
            {
                "solve_job_key",
                $"{Sought} id, now(), '{{}}', '{{}}', 'Fill', 'Done' from (select gen_random_uuid() as id) one, generate_series(1, 2)"
            },
            { "lot_portions_range", "update lot set portions = 61" },
            { "lot_variant_length", "update lot set variant = ''" },
            {
                "lot_batch",
                "insert into lot (household_id, id, batch_id, position, portions) select household_id, gen_random_uuid(), gen_random_uuid(), 0, 1 from lot limit 1"
            },
            { "batch_session", "update batch set session_id = gen_random_uuid()" },
            { "batch_recipe_version", "update batch set recipe_version_id = gen_random_uuid()" },
            { "serving_slot", "update serving set meal = 'brunch' where id = (select id from serving limit 1)" },
            {
                "serving_place_unique",
                "insert into serving select household_id, gen_random_uuid(), eaten_on, meal, eater_id, 'Planned', false, '' from serving limit 1"
            },
            { "serving_eater", "update serving set eater_id = gen_random_uuid()" },
            { "serving_state_known", "update serving set state = 'Perhaps'" },
            { "serving_note_length", "update serving set note = repeat('x', 201)" },
            { "serving_item_portions_range", "update serving_item set portions = 60.0001" },
            { "serving_item_grams_range", "update serving_item set portions = null, grams = 0" },
            {
                "serving_item_frozen_is_of_a_batch",
                "update serving_item set is_frozen = true, batch_id = null, lot_id = null, portions = null, text = 'x', match_kind = 'None'"
            },
            { "cook_remark_again_of_a_dish", $"{RemarkedAgain} id, 'x', 5, '', true from batch limit 1" },
            { "weighing_key", "insert into weighing select household_id, id from eater, generate_series(1, 2)" },
            { "weighing_eater", "insert into weighing select id, gen_random_uuid() from household" },
            { "body_weight_range", $"{Weighed} current_date, 19999 from weighing" },
            { "body_weight_key", $"{Weighed} current_date, 70000 from weighing, generate_series(1, 2)" },
            { "body_weight_weighing", "insert into body_weight select id, gen_random_uuid(), current_date, 70000 from household" },
            { "serving_item_eaten_range", $"{AsBought}, eaten_share = 3.01" },
            { "serving_item_eaten_of_a_batch", "update serving_item set eaten_share = 0.5" },
            { "serving_item_left_out_takes_no_box", "update serving_item set eaten_share = 0, container_id = id" },
            { "serving_item_extra_was_eaten", $"{AsBought}, is_extra = true" },
            { "batch_frozen_rest_range", "update batch set frozen_rest = 61" },
            { "serving_item_parts_some", "update serving_item set parts = '{}'" },
            { "serving_item_draw_or_food", "update serving_item set grams = 5" },
            { "serving_item_text_length", $"{Ready} '', 'None' from serving limit 1" },
            { "serving_item_match_known", $"{Ready} 'x', 'Perhaps' from serving limit 1" },
            { "serving_item_lot", "update serving_item set lot_id = gen_random_uuid()" },
            { "serving_item_serving", "update serving_item set serving_id = gen_random_uuid()" },
            { "serving_item_key", "insert into serving_item select * from serving_item limit 1" },
            { "eater_meal_pattern_known", "update eater_meal set pattern = 'PPPPPPX'" },
            { "serving_item_container", "update serving_item set container_id = gen_random_uuid(); set constraints all immediate" },
            {
                "serving_item_container_of_draw",
                "update serving_item set container_id = id, batch_id = null, lot_id = null, portions = null, text = 'x', match_kind = 'None'"
            },
            {
                "kitchen_item_tare_range",
                "insert into kitchen_item (household_id, id, position, kind, name, count, tare_g) select household_id, gen_random_uuid(), 0, 'pan', 'x', 1, -1 from eater limit 1"
            },
            { "container_portions_range", $"{Box} 0, 1, null, '', '' from lot limit 1" },
            { "container_number_from_one", $"{Box} 1, 0, null, '', '' from lot limit 1" },
            { "container_parts_some", $"{Box} 1, 1, '{{}}', '', '' from lot limit 1" },
            { "container_kind_length", $"{Box} 1, 1, null, repeat('x', 61), '' from lot limit 1" },
            { "container_material_length", $"{Box} 1, 1, null, '', repeat('x', 21) from lot limit 1" },
            {
                "container_lot",
                "insert into container (household_id, id, batch_id, lot_id, portions, number, grams, kind, material) select household_id, gen_random_uuid(), batch_id, gen_random_uuid(), 1, 1, '{}', '', '' from lot limit 1"
            },
            {
                "container_event_container",
                "insert into container_event select household_id, gen_random_uuid(), gen_random_uuid(), 'Made', now(), current_date, 0, null, null, '' from eater limit 1"
            },
            {
                "container_event_parts_some",
                $"{Happened.Replace("reason)", "reason, parts)", StringComparison.Ordinal)} 'Made', 0, '', '{{}}' from box"
            },
            { "container_event_kind_known", $"{Happened} 'Melted', 0, '' from box" },
            { "container_event_portions_range", $"{Happened} 'Eaten', -1, '' from box" },
            { "container_event_reason_length", $"{Happened} 'Made', 0, repeat('x', 121) from box" },
            { "container_event_takes_something", $"{Happened} 'Eaten', 0, '' from box" },
            { "part_yield_part_length", $"{Yield} repeat('x', 201), 500, 0, '' from batch limit 1" },
            { "part_yield_gross_range", $"{Yield} '', 100001, 0, '' from batch limit 1" },
            { "part_yield_tare_range", $"{Yield} '', 500, -1, '' from batch limit 1" },
            { "part_yield_net", $"{Yield} '', 500, 500, '' from batch limit 1" },
            { "part_yield_vessel_length", $"{Yield} '', 500, 0, repeat('x', 61) from batch limit 1" },
            { "part_yield_key", $"{Yield} '', 500, 0, '' from batch, generate_series(1, 2)" },
            { "part_yield_batch", "insert into part_yield select household_id, gen_random_uuid(), '', 500, 0, '' from eater limit 1" },
            { "shop_tick_key_length", "insert into shop_tick select household_id, current_date, '' from eater limit 1" },
            { "task_tick_batch", "insert into task_tick select household_id, gen_random_uuid(), '1' from eater limit 1" },
            { "household_units_known", "update household set units = 'stone'" },
            { "household_number_format_known", "update household set number_format = 'dash'" },
            { "household_first_day_range", "update household set first_day = 7" },
            { "household_freezer_range", "update household set freezer_l = -1" },
            {
                "meal_slot_key_length",
                "insert into meal_slot select household_id, '', 'x', role, usual_time, 9, false from meal_slot limit 1"
            },
            {
                "invitation_secret_unique",
                "insert into invitation select household_id, gen_random_uuid(), 'x', account_id, now(), null from household_member, generate_series(1, 2) limit 2"
            },
            { "meal_slot_name_length", "update meal_slot set name = ''" },
            { "meal_slot_role_known", "update meal_slot set role = 'Elevenses'" },
            { "meal_slot_key", "insert into meal_slot select * from meal_slot limit 1" },
            { "prep_day_weekday_range", "update prep_day set weekday = 7" },
            { "prep_day_cooks_range", "update prep_day set cooks = 5" },
            { "prep_day_name_length", "update prep_day set name = ''" },
            { "prep_day_eaten_range", "update prep_day set eaten_after_days = 7" },
            { "prep_day_key", "insert into prep_day select * from prep_day limit 1" },
            { "eater_portion_habit_range", "update eater set portion_habit = 0" },
            {
                "eater_acceptance_what_length",
                "insert into eater_acceptance select household_id, id, '', 'r', (select id from account limit 1), now() from eater limit 1"
            },
            {
                "eater_acceptance_reason_length",
                "insert into eater_acceptance select household_id, id, 'x', '', (select id from account limit 1), now() from eater limit 1"
            },
            {
                "eater_phase_in_order",
                "insert into eater_phase select household_id, id, 'x', '2026-02-01', '2026-01-01' from eater limit 1"
            },
            {
                "eater_challenge_position_range",
                "insert into eater_phase select household_id, id, 'x', '2026-01-01', '2026-02-01' from eater limit 1; insert into eater_challenge select household_id, eater_id, 'x', 'a', 30, 'Open' from eater_phase limit 1"
            },
            {
                "eater_challenge_outcome_known",
                "insert into eater_phase select household_id, id, 'x', '2026-01-01', '2026-02-01' from eater limit 1; insert into eater_challenge select household_id, eater_id, 'x', 'a', 0, 'Perhaps' from eater_phase limit 1"
            },
            {
                "diary_entry_text_length",
                "insert into diary_entry select household_id, gen_random_uuid(), id, 'x', current_date, '', (select id from account limit 1) from eater limit 1"
            },
            {
                "household_protocol_id_form",
                "insert into household_protocol (household_id, id, version) select household_id, 'low-carb', 1 from eater limit 1"
            },
            {
                "household_protocol_version_from_one",
                "insert into household_protocol (household_id, id, version) select household_id, 'own-x', 1 from eater limit 1; insert into household_protocol_version select household_id, 'own-x', 0, '{}', now(), (select id from account limit 1) from eater limit 1"
            },
            {
                "journal_schema_from_one",
                "insert into journal (household_id, account_id, at, kind, summary, change, schema_version) select household_id, account_id, now(), 'x', 'x', '{}', 0 from household_member limit 1"
            },
            { "week_protocol_version_from_one", "insert into week_protocol select household_id, '2020-01-05', 'x', 0 from eater limit 1" },
            {
                "kitchen_item_kind_known",
                "insert into kitchen_item (household_id, id, position, kind, name, count, capacity_ml, fill_share, width_mm, length_mm) select household_id, gen_random_uuid(), 0, 'kiln', 'x', 1, 1, 1, 1, 1 from eater limit 1"
            },
            {
                "kitchen_item_name_length",
                "insert into kitchen_item (household_id, id, position, kind, name, count, capacity_ml, fill_share, width_mm, length_mm) select household_id, gen_random_uuid(), 0, 'oven', '', 1, 1, 1, 1, 1 from eater limit 1"
            },
            {
                "kitchen_item_count_range",
                "insert into kitchen_item (household_id, id, position, kind, name, count, capacity_ml, fill_share, width_mm, length_mm) select household_id, gen_random_uuid(), 0, 'oven', 'x', 0, 1, 1, 1, 1 from eater limit 1"
            },
            {
                "kitchen_item_capacity_range",
                "insert into kitchen_item (household_id, id, position, kind, name, count, capacity_ml, fill_share, width_mm, length_mm) select household_id, gen_random_uuid(), 0, 'oven', 'x', 1, 0, 1, 1, 1 from eater limit 1"
            },
            {
                "kitchen_item_fill_range",
                "insert into kitchen_item (household_id, id, position, kind, name, count, capacity_ml, fill_share, width_mm, length_mm) select household_id, gen_random_uuid(), 0, 'oven', 'x', 1, 1, 0, 1, 1 from eater limit 1"
            },
            {
                "kitchen_item_width_range",
                "insert into kitchen_item (household_id, id, position, kind, name, count, capacity_ml, fill_share, width_mm, length_mm) select household_id, gen_random_uuid(), 0, 'oven', 'x', 1, 1, 1, 0, 1 from eater limit 1"
            },
            {
                "kitchen_item_length_range",
                "insert into kitchen_item (household_id, id, position, kind, name, count, capacity_ml, fill_share, width_mm, length_mm) select household_id, gen_random_uuid(), 0, 'oven', 'x', 1, 1, 1, 1, 0 from eater limit 1"
            },
            {
                "packet_version_from_one",
                $"{Packet} id, 0, 'X', 'Other', 'Total', '100 g', '{{}}', '', '', '', 1, 1, 1, '{{}}', '', now(), (select id from account limit 1) from packet limit 1"
            },
            {
                "packet_name_length",
                $"{Packet} id, 9, '', 'Other', 'Total', '100 g', '{{}}', '', '', '', 1, 1, 1, '{{}}', '', now(), (select id from account limit 1) from packet limit 1"
            },
            {
                "packet_country_known",
                $"{Packet} id, 9, 'X', 'Atlantis', 'Total', '100 g', '{{}}', '', '', '', 1, 1, 1, '{{}}', '', now(), (select id from account limit 1) from packet limit 1"
            },
            {
                "packet_basis_known",
                $"{Packet} id, 9, 'X', 'Other', 'Half', '100 g', '{{}}', '', '', '', 1, 1, 1, '{{}}', '', now(), (select id from account limit 1) from packet limit 1"
            },
            {
                "packet_serving_length",
                $"{Packet} id, 9, 'X', 'Other', 'Total', '', '{{}}', '', '', '', 1, 1, 1, '{{}}', '', now(), (select id from account limit 1) from packet limit 1"
            },
            {
                "packet_statement_length",
                $"{Packet} id, 9, 'X', 'Other', 'Total', '100 g', '{{}}', repeat('a', 20001), '', '', 1, 1, 1, '{{}}', '', now(), (select id from account limit 1) from packet limit 1"
            },
            {
                "packet_may_contain_length",
                $"{Packet} id, 9, 'X', 'Other', 'Total', '100 g', '{{}}', '', repeat('a', 2001), '', 1, 1, 1, '{{}}', '', now(), (select id from account limit 1) from packet limit 1"
            },
            {
                "packet_pack_length",
                $"{Packet} id, 9, 'X', 'Other', 'Total', '100 g', '{{}}', '', '', repeat('a', 61), 1, 1, 1, '{{}}', '', now(), (select id from account limit 1) from packet limit 1"
            },
            {
                "packet_price_range",
                $"{Packet} id, 9, 'X', 'Other', 'Total', '100 g', '{{}}', '', '', '', -1, 1, 1, '{{}}', '', now(), (select id from account limit 1) from packet limit 1"
            },
            {
                "packet_points_range",
                $"{Packet} id, 9, 'X', 'Other', 'Total', '100 g', '{{}}', '', '', '', 1, 1001, 1, '{{}}', '', now(), (select id from account limit 1) from packet limit 1"
            },
            {
                "packet_opened_days_range",
                $"{Packet} id, 9, 'X', 'Other', 'Total', '100 g', '{{}}', '', '', '', 1, 1, 0, '{{}}', '', now(), (select id from account limit 1) from packet limit 1"
            },
            {
                "packet_aisle_length",
                $"{Packet} id, 9, 'X', 'Other', 'Total', '100 g', '{{}}', '', '', '', 1, 1, 1, '{{}}', repeat('a', 61), now(), (select id from account limit 1) from packet limit 1"
            },
            {
                "packet_version_author",
                $"{Packet} id, 9, 'X', 'Other', 'Total', '100 g', '{{}}', '', '', '', 1, 1, 1, '{{}}', '', now(), gen_random_uuid() from packet limit 1"
            },
            {
                "packet_version_number_unique",
                $"{Packet} id, 1, 'X', 'Other', 'Total', '100 g', '{{}}', '', '', '', 1, 1, 1, '{{}}', '', now(), (select id from account limit 1) from packet limit 1"
            },
            {
                "packet_version_packet",
                $"{Packet} gen_random_uuid(), 9, 'X', 'Other', 'Total', '100 g', '{{}}', '', '', '', 1, 1, 1, '{{}}', '', now(), (select id from account limit 1) from packet limit 1"
            },
            { "packet_name_unique", "update packet set name = 'Same'" },
            { "packet_opinion_reason_length", "update packet_opinion set reason = ''" },
            { "packet_opinion_eater", "update packet_opinion set eater_id = gen_random_uuid()" },
            { "packet_opinion_packet", "update packet_opinion set packet_id = gen_random_uuid()" },
            { "recipe_line_packet", "update recipe_line set packet_version_id = gen_random_uuid() where food_version_id is null" },
            { "recipe_line_used_recipe", "update recipe_line set used_version_id = gen_random_uuid()" },
            { "recipe_line_one_food", "update recipe_line set packet_version_id = gen_random_uuid() where food_version_id is not null" },
            { "food_density_range", "update food_version set density_g_ml = 3.1" },
            { "stock_item_food_length", "update stock_item set food_key = ''" },
            { "stock_item_name_length", "update stock_item set name = ''" },
            { "stock_item_amount_length", "update stock_item set amount = repeat('a', 61)" },
            { "stock_item_grams_range", "update stock_item set grams = -1" },
            { "stock_item_place_known", "update stock_item set place = 'Attic'" },
            { "stock_item_thawed_after_frozen", "update stock_item set frozen_on = '2026-01-02', thawed_on = '2026-01-01'" },
            {
                "container_kind_name_length",
                "insert into container_kind select household_id, gen_random_uuid(), 0, '', 1, 1, 'glass', true, true, true from eater limit 1"
            },
            {
                "container_kind_volume_range",
                "insert into container_kind select household_id, gen_random_uuid(), 0, 'x', 0, 1, 'glass', true, true, true from eater limit 1"
            },
            {
                "container_kind_count_range",
                "insert into container_kind select household_id, gen_random_uuid(), 0, 'x', 1, 0, 'glass', true, true, true from eater limit 1"
            },
            {
                "container_kind_material_known",
                "insert into container_kind select household_id, gen_random_uuid(), 0, 'x', 1, 1, 'lead', true, true, true from eater limit 1"
            },
            {
                "learnt_word_length",
                "insert into learnt_word select household_id, '', 'cod', now(), (select id from account limit 1) from eater limit 1"
            },
            {
                "learnt_word_food_length",
                "insert into learnt_word select household_id, 'x', '', now(), (select id from account limit 1) from eater limit 1"
            },
            {
                "learnt_word_account",
                "insert into learnt_word select household_id, 'x', 'cod', now(), gen_random_uuid() from eater limit 1"
            },
            { "group_desk_name_length", "insert into group_desk select app_household(), ''" },
            { "group_desk_help_length", "insert into group_desk select app_household(), 'x', repeat('x', 1001)" },
            { "group_member_group", "insert into group_member select app_household(), app_account(), now()" },
            { "group_member_account", $"{Desk} insert into group_member select app_household(), gen_random_uuid(), now()" },
            {
                "group_link_secret_unique",
                $"{Desk} insert into group_link select app_household(), gen_random_uuid(), 'x', app_account(), now(), 1 from generate_series(1, 2)"
            },
            {
                "group_link_address_length",
                $"{Desk} insert into group_link select app_household(), gen_random_uuid(), 'x', app_account(), now(), 1, 'a@'"
            },
            {
                "group_link_by_address",
                $"{Desk} insert into group_link select app_household(), gen_random_uuid(), n::text, app_account(), now(), 1, 'a@b' from generate_series(1, 2) n"
            },
            { "mail_address_length", "insert into mail select app_household(), gen_random_uuid(), null, 'a@', 'x', '', '', now()" },
            { "mail_subject_length", "insert into mail select app_household(), gen_random_uuid(), null, 'a@b', '', '', '', now()" },
            {
                "mail_body_length",
                "insert into mail select app_household(), gen_random_uuid(), null, 'a@b', 'x', repeat('x', 20001), '', now()"
            },
            {
                "group_link_uses_not_negative",
                $"{Desk} insert into group_link select app_household(), gen_random_uuid(), 'x', app_account(), now(), -1"
            },
            {
                "group_share_habit_range",
                $"{Desk} insert into group_share select app_household(), gen_random_uuid(), '{{}}', '[]', '{{}}', 0"
            },
            { "menu_group", "insert into menu select app_household(), gen_random_uuid(), 'x', current_date, 7, '', '[]'" },
            { "menu_name_length", $"{Menu} '', current_date, 7, '', '[]'" },
            { "menu_days_range", $"{Menu} 'x', current_date, 29, '', '[]'" },
            { "menu_note_length", $"{Menu} 'x', current_date, 7, repeat('x', 2001), '[]'" },
            { "menu_desk_note_length", $"{Drafted} update menu set desk_note = ''" },
            { "menu_tiers_are_a_list", $"{Menu} 'x', current_date, 7, '', '{{}}'" },
            { "menu_dish_day_range", $"{Dish} 28, 'supper', id, '[]', '[]' from recipe_version limit 1" },
            { "menu_dish_slot_not_empty", $"{Dish} 0, '', id, '[]', '[]' from recipe_version limit 1" },
            { "menu_dish_recipe", $"{Dish} 0, 'supper', gen_random_uuid(), '[]', '[]' from eater limit 1" },
            { "menu_dish_portions_are_a_list", $"{Dish} 0, 'supper', id, '{{}}', '[]' from recipe_version limit 1" },
            { "menu_dish_variants_are_a_list", $"{Dish} 0, 'supper', id, '[]', '{{}}' from recipe_version limit 1" },
            { "menu_version_from_one", $"{Published} 0, now(), app_account(), '', '{{}}'" },
            { "menu_version_changed_length", $"{Published} 1, now(), app_account(), repeat('x', 501), '{{}}'" },
            { "menu_version_brings_are_a_list", $"{Published} 1, now(), app_account(), '', '{{}}', '{{}}'" },
            { "menu_version_publisher", $"{Published} 1, now(), gen_random_uuid(), '', '{{}}'" },
            {
                "menu_taken_from_one",
                "insert into menu_taken select app_household(), current_date, app_household(), app_household(), 0, now()"
            },
            {
                "menu_taken_answers_are_an_object",
                "insert into menu_taken select app_household(), current_date, app_household(), app_household(), 1, now(), '[]'"
            },
            { "enclosed_taken_kind_known", $"{Enclosed} 'Recipe', 'x', repeat('a', 64), now()" },
            { "enclosed_taken_name_length", $"{Enclosed} 'Word', '', repeat('a', 64), now()" },
            { "enclosed_taken_print_length", $"{Enclosed} 'Word', 'x', 'a', now()" },
            { "recipe_taken_name_length", $"{Home} '', repeat('a', 64), id, now() from recipe_version limit 1" },
            { "recipe_taken_print_length", $"{Home} 'x', 'a', id, now() from recipe_version limit 1" },
            { "recipe_taken_version", $"{Home} 'x', repeat('a', 64), gen_random_uuid(), now()" },
            { "submission_group", Submitted(desk: "") },
            { "submission_sender", Submitted(account: "gen_random_uuid()") },
            { "submission_from_one", Submitted(number: 0) },
            { "submission_state_known", Submitted(state: "Lost") },
            { "submission_reply_length", Submitted(reply: new('x', 301)) },
            { "submission_words_length", Submitted(words: new('x', 501)) },
            { "submission_content_is_a_list", Submitted(content: "{}") },
            { "submission_recipe", Submitted(state: "TakenUp", recipe: "gen_random_uuid()") },
            { "submission_answered_in_words", Submitted(state: "Declined") },
            { "submission_taken_up_is_a_recipe", Submitted(state: "TakenUp") },
            { "question_group", Questioned(desk: "") },
            { "question_asker_account", Questioned(account: "gen_random_uuid()") },
            { "question_words_length", Questioned(words: "") },
            { "question_answer_length", Questioned(answer: new('x', 2001), answered: "now()") },
            { "question_menu", Questioned(menu: "gen_random_uuid()") },
            { "question_picture", Questioned(picture: "gen_random_uuid()") },
            { "question_day_range", Questioned(day: "28") },
            { "question_answered_once_said", Questioned(answered: "now()") },
            { "question_pinned_is_answered", Questioned(isPinned: true) },
            { "question_too_question", $"{Joined} insert into question_too select app_household(), gen_random_uuid(), app_account()" },
            {
                "question_too_member",
                $"{Questioned()} insert into question_too select app_household(), id, gen_random_uuid() from question where household_id = app_household()"
            },
            {
                "question_report_question",
                $"{Joined} insert into question_report select app_household(), gen_random_uuid(), app_account(), 'x'"
            },
            {
                "question_report_member",
                $"{Questioned()} insert into question_report select app_household(), id, gen_random_uuid(), 'x' from question where household_id = app_household()"
            },
            {
                "question_report_why_length",
                $"{Joined} {Questioned(desk: "")} insert into question_report select app_household(), id, app_account(), '' from question where household_id = app_household()"
            },
            { "journal_account", "update journal set account_id = gen_random_uuid()" },
        };

    [Theory]
    [MemberData(nameof(Refused))]
    public async Task A_constraint_refuses_what_it_is_for(string constraint, string statement)
    {
        var cancel = TestContext.Current.CancellationToken;
        await using var connection = new NpgsqlConnection(database.Owner);
        await connection.OpenAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        await Run("select set_config('app.account_id', (select id::text from account where is_demo order by id limit 1), true)");
        await Run("select set_config('app.household_id', (select household_id::text from household_member limit 1), true)");
        var refused = await Assert.ThrowsAsync<PostgresException>(() => Run(statement));
        Assert.Equal(constraint, refused.ConstraintName);

        async Task Run(string sql)
        {
            await using var command = new NpgsqlCommand(sql, connection, transaction);
            await command.ExecuteNonQueryAsync(cancel);
        }
    }

    [Fact]
    public async Task Every_check_and_unique_constraint_has_a_row_here_but_the_keys_that_only_carry_foreign_keys()
    {
        var named = Refused.Select(row => row.Data.Item1).ToHashSet();
        var all = await TestDatabase.Ask<string[]>(
            database.Owner,
            "select array_agg(conname::text order by conname) from pg_constraint join pg_class on pg_class.oid = conrelid where relnamespace = 'public'::regnamespace and contype in ('c', 'u') and relname <> 'schemaversions'"
        );
        // It holds whatever the lot's key holds, and is there for others to point at.
        Assert.Equal(["lot_of_batch_unique"], all!.Except(named));
    }
}

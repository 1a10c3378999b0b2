namespace Merienda.Storage.Edits;

/// <summary>
/// The tables of a household that edits write, each with the record of its rows; parents stand before what hangs on them. Versions are
/// only ever appended.
/// </summary>
public static class Tables
{
    public static readonly TenantTable<HouseholdSettingsRow> Household = new("household");

    public static readonly TenantTable<HouseholdMemberRow> HouseholdMember = new("household_member", "account_id");
    public static readonly TenantTable<InvitationRow> Invitation = new("invitation", "id");
    public static readonly TenantTable<GroupDeskRow> GroupDesk = new("group_desk");
    public static readonly TenantTable<GroupMemberRow> GroupMember = new("group_member", "account_id");
    public static readonly TenantTable<GroupLinkRow> GroupLink = new("group_link", "id");
    public static readonly TenantTable<MailRow> Mail = new("mail", "id");
    public static readonly TenantTable<MenuRow> Menu = new("menu", "id");
    public static readonly TenantTable<MenuDishRow> MenuDish = new("menu_dish", "id");
    public static readonly TenantTable<MenuVersionRow> MenuVersion = new("menu_version", "menu_id", "number");
    public static readonly TenantTable<MenuTakenRow> MenuTaken = new("menu_taken", "week_start", "group_id", "menu_id");
    public static readonly TenantTable<EnclosedTakenRow> EnclosedTaken = new("enclosed_taken", "group_id", "kind", "name");
    public static readonly TenantTable<RecipeTakenRow> RecipeTaken = new("recipe_taken", "group_id", "name");
    public static readonly TenantTable<SubmissionRow> Submission = new("submission", "id");
    public static readonly TenantTable<QuestionRow> Question = new("question", "id");
    public static readonly TenantTable<QuestionTooRow> QuestionToo = new("question_too", "question_id", "account_id");
    public static readonly TenantTable<QuestionReportRow> QuestionReport = new("question_report", "question_id", "account_id");
    public static readonly TenantTable<MealSlotRow> MealSlot = new("meal_slot", "key")
    {
        Leftovers = TenantTable.LeftoversOf("meal_slot", "serving.meal = gone.key"),
    };
    public static readonly TenantTable<PrepDayRow> PrepDay = new("prep_day", "weekday");

    public static readonly TenantTable<EaterRow> Eater = new("eater", "id")
    {
        Leftovers = TenantTable.LeftoversOf("eater", "serving.eater_id = gone.id"),
    };
    public static readonly TenantTable<EaterMealRow> EaterMeal = new("eater_meal", "eater_id", "meal");
    public static readonly TenantTable<EaterProtocolRow> EaterProtocol = new("eater_protocol", "eater_id", "protocol_id");
    public static readonly TenantTable<AllowanceRow> Allowance = new("allowance", "eater_id", "protocol_id", "rule_id", "valid_from");
    public static readonly TenantTable<EaterChoiceRow> EaterChoice = new("eater_choice", "eater_id", "protocol_id", "choice_id");
    public static readonly TenantTable<EaterAllergyRow> EaterAllergy = new("eater_allergy", "eater_id", "class_key");
    public static readonly TenantTable<EaterAcceptanceRow> EaterAcceptance = new("eater_acceptance", "eater_id", "what");
    public static readonly TenantTable<EaterDislikeRow> EaterDislike = new("eater_dislike", "eater_id", "what");
    public static readonly TenantTable<EaterPhaseRow> EaterPhase = new("eater_phase", "eater_id", "protocol_id");
    public static readonly TenantTable<EaterChallengeRow> EaterChallenge = new(
        "eater_challenge",
        "eater_id",
        "protocol_id",
        "challenge_id"
    );
    public static readonly TenantTable<DiaryEntryRow> DiaryEntry = new("diary_entry", "id");
    public static readonly TenantTable<WeighingRow> Weighing = new("weighing", "eater_id");
    public static readonly TenantTable<BodyWeightRow> BodyWeight = new("body_weight", "eater_id", "weighed_on");

    public static readonly TenantTable<KitchenItemRow> KitchenItem = new("kitchen_item", "id");
    public static readonly TenantTable<ContainerKindRow> ContainerKind = new("container_kind", "id");
    public static readonly TenantTable<ReadyChoiceRow> ReadyChoice = new("ready_choice", "id");

    public static readonly TenantTable<OwnProtocolRow> OwnProtocol = new("household_protocol", "id");
    public static readonly TenantTable<OwnProtocolVersionRow> OwnProtocolVersion = new(
        "household_protocol_version",
        "protocol_id",
        "version"
    );
    public static readonly TenantTable<WeekProtocolRow> WeekProtocol = new("week_protocol", "week_start", "protocol_id");

    public static readonly TenantTable<PacketRow> Packet = new("packet", "id") { IsLarder = true };
    public static readonly TenantTable<PacketVersionRow> PacketVersion = new("packet_version", "id");
    public static readonly TenantTable<PacketOpinionRow> PacketOpinion = new("packet_opinion", "packet_id", "eater_id");
    public static readonly TenantTable<LearntWordRow> LearntWord = new("learnt_word", "words") { IsLarder = true };
    public static readonly TenantTable<StockItemRow> StockItem = new("stock_item", "id");
    public static readonly TenantTable<PriceRow> Price = new("price", "food_key", "shop");

    public static readonly TenantTable<RecipeRow> Recipe = new("recipe", "id");
    public static readonly TenantTable<RecipeVersionRow> RecipeVersion = new("recipe_version", "id");
    public static readonly TenantTable<RecipeLineRow> RecipeLine = new("recipe_line", "recipe_version_id", "position");
    public static readonly TenantTable<RecipePartRow> RecipePart = new("recipe_part", "recipe_version_id", "position");
    public static readonly TenantTable<RecipeVariantRow> RecipeVariant = new("recipe_variant", "recipe_version_id", "position");
    public static readonly TenantTable<RecipeVariantChangeRow> RecipeVariantChange = new(
        "recipe_variant_change",
        "recipe_version_id",
        "variant",
        "position"
    );
    public static readonly TenantTable<RecipeClaimRow> RecipeClaim = new("recipe_claim", "recipe_version_id", "position");
    public static readonly TenantTable<PictureRow> Picture = new("picture", "id");
    public static readonly TenantTable<RecipePictureRow> RecipePicture = new("recipe_picture", "recipe_id");
    public static readonly TenantTable<RecipeCollectionRow> RecipeCollection = new("recipe_collection", "recipe_id", "name");
    public static readonly TenantTable<LibraryFilterRow> LibraryFilter = new("library_filter", "name");
    public static readonly TenantTable<EaterDishRow> EaterDish = new("eater_dish", "eater_id", "recipe_id", "part");
    public static readonly TenantTable<EaterPinRow> EaterPin = new("eater_pin", "eater_id", "position");
    public static readonly TenantTable<EaterVariantRow> EaterVariant = new("eater_variant", "eater_id", "recipe_id");
    public static readonly TenantTable<RecipeTaskRow> RecipeTask = new("recipe_task", "recipe_version_id", "position");

    public static readonly TenantTable<PrepSessionRow> PrepSession = new("prep_session", "id");
    public static readonly TenantTable<BatchRow> Batch = new("batch", "id");
    public static readonly TenantTable<LotRow> Lot = new("lot", "id");
    public static readonly TenantTable<BatchSwapRow> BatchSwap = new("batch_swap", "batch_id", "line_id");
    public static readonly TenantTable<PartYieldRow> PartYield = new("part_yield", "batch_id", "part");
    public static readonly TenantTable<ContainerRow> Container = new("container", "id");
    public static readonly TenantTable<ContainerEventRow> ContainerEvent = new("container_event", "id");
    public static readonly TenantTable<ServingRow> Serving = new("serving", "id");
    public static readonly TenantTable<ServingItemRow> ServingItem = new("serving_item", "id");
    public static readonly TenantTable<ShopTickRow> ShopTick = new("shop_tick", "week_start", "item_key");
    public static readonly TenantTable<PurchaseRow> Purchase = new("purchase", "week_start", "item_key");
    public static readonly TenantTable<StapleRow> Staple = new("staple", "food_key");
    public static readonly TenantTable<CookRemarkRow> CookRemark = new("cook_remark", "batch_id", "task_id");
    public static readonly TenantTable<StepRunRow> StepRun = new("step_run", "batch_id", "task_id");
    public static readonly TenantTable<TaskTickRow> TaskTick = new("task_tick", "batch_id", "task_id");

    /// <summary>Every table, in the order that keys need.</summary>
    internal static readonly IReadOnlyList<TenantTable> InOrder =
    [
        Household,
        HouseholdMember,
        Invitation,
        GroupDesk,
        GroupMember,
        GroupLink,
        Mail,
        MealSlot,
        PrepDay,
        Eater,
        EaterMeal,
        EaterProtocol,
        Allowance,
        EaterChoice,
        EaterAllergy,
        EaterAcceptance,
        EaterDislike,
        EaterPhase,
        EaterChallenge,
        DiaryEntry,
        Weighing,
        BodyWeight,
        KitchenItem,
        ContainerKind,
        ReadyChoice,
        OwnProtocol,
        OwnProtocolVersion,
        WeekProtocol,
        Packet,
        PacketVersion,
        PacketOpinion,
        LearntWord,
        StockItem,
        Price,
        Recipe,
        RecipeVersion,
        RecipePart,
        RecipeVariant,
        RecipeLine,
        RecipeVariantChange,
        RecipeTask,
        RecipeClaim,
        Menu,
        MenuDish,
        MenuVersion,
        RecipeCollection,
        Picture,
        MenuTaken,
        EnclosedTaken,
        RecipeTaken,
        Submission,
        Question,
        QuestionToo,
        QuestionReport,
        RecipePicture,
        LibraryFilter,
        EaterDish,
        EaterPin,
        EaterVariant,
        PrepSession,
        Batch,
        Lot,
        BatchSwap,
        PartYield,
        Container,
        ContainerEvent,
        Serving,
        ServingItem,
        ShopTick,
        Purchase,
        Staple,
        TaskTick,
        StepRun,
        CookRemark,
    ];
}

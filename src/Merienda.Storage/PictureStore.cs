using Merienda.Core.Outcomes;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>Keeps what recipes look like.</summary>
public sealed class PictureStore(EditDoor door)
{
    /// <summary>Gives a recipe a picture instead of the one it has, or takes it away.</summary>
    /// <param name="picture">JPEG, large and small; null to take it away.</param>
    public Task<Result<Edited<TView>>> Show<TView>(
        EditStamp stamp,
        (Guid Id, Reading<StoredRecipe?> Read) recipe,
        (byte[] Large, byte[] Small)? picture,
        DateTimeOffset at,
        Func<Reading<TView>> view
    ) =>
        door.Edit<(LibraryOrder Order, StoredRecipe? Recipe), bool, TView>(
            stamp,
            Journal.Recipe,
            LibraryStore.Order.And(recipe.Read),
            locked =>
            {
                if (locked.Recipe is null)
                {
                    return RecipeStore.Gone(recipe.Id);
                }

                var before = locked.Order.PictureOf(recipe.Id) is { } old ? new RecipePictureRow(recipe.Id, old) : null;
                var name = locked.Recipe.Version.Name;
                if (picture is not { } shown)
                {
                    return new Decided<bool>(new Change($"Took the picture of {name} away").Put(Tables.RecipePicture, before, null), true);
                }

                var row = RowOf(shown, at, stamp.Tenant.Account);
                return new Decided<bool>(
                    new Change($"Gave {name} a picture")
                        .Append(Tables.Picture, [row])
                        .Put(Tables.RecipePicture, before, new RecipePictureRow(recipe.Id, row.Id)),
                    true
                );
            },
            _ => view()
        );

    /// <summary>A picture's JPEG; null when the household has none of that id.</summary>
    public static Reading<byte[]?> Of(Guid id, bool isSmall) =>
        Reading.Of(
            $"select {(isSmall ? "small" : "large")} from picture where id = @picture;",
            new { picture = id },
            rows => rows.ReadSingleOrDefaultAsync<byte[]?>()
        );

    /// <summary>What a recipe looks like, large; null without a picture.</summary>
    public static Reading<byte[]?> OfRecipe(Guid recipeId) =>
        Reading.Of(
            """
            select large from picture
            join recipe_picture shown on shown.household_id = picture.household_id and shown.picture_id = picture.id
            where shown.recipe_id = @pictured;
            """,
            new { pictured = recipeId },
            rows => rows.ReadSingleOrDefaultAsync<byte[]?>()
        );

    internal static PictureRow RowOf((byte[] Large, byte[] Small) picture, DateTimeOffset at, Guid account) =>
        new(Guid.CreateVersion7(), Hex(picture.Large), Hex(picture.Small), at, account);

    private static string Hex(byte[] bytes) => $"\\x{Convert.ToHexStringLower(bytes)}";
}

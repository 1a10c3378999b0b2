namespace Merienda.Formats.HandOut;

/// <summary>A piece of a document for people, whatever file it becomes.</summary>
public abstract record Block;

/// <param name="Level">1 for the document's own, up to 3.</param>
public sealed record Heading(int Level, string Text) : Block;

/// <param name="IsSmall">Whether it is an aside.</param>
public sealed record Paragraph(string Text, bool IsSmall = false) : Block;

/// <param name="IsNumbered">Whether their order counts.</param>
public sealed record Items(IReadOnlyList<string> Texts, bool IsNumbered = false) : Block;

/// <summary>Rows under a head; the first column heads its row.</summary>
/// <param name="Rows">As long as the head; a cell's lines stand below each other.</param>
/// <param name="Wide">Places of the columns that need more room than the others.</param>
public sealed record Grid(IReadOnlyList<string> Head, IReadOnlyList<IReadOnlyList<string>> Rows, IReadOnlyList<int>? Wide = null) : Block;

/// <summary>What follows begins on a page of its own.</summary>
public sealed record NewPage : Block;

/// <param name="Language">BCP 47.</param>
public sealed record Document(string Title, string Language, IReadOnlyList<Block> Blocks);

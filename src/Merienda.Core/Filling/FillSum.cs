using Merienda.Core.Protocols;

namespace Merienda.Core.Filling;

/// <summary>A sum that a rule asks for, with what each dish brings to it; reckoned once, however often it is asked.</summary>
public sealed class FillSum(LinearForm form, FillTable table)
{
    private readonly Dictionary<(int Dish, int Quarters), Brought> _brought = [];

    public LinearForm Form => form;

    /// <param name="dish">Its place among the question's dishes.</param>
    public Brought At(int dish, int quarters)
    {
        if (!_brought.TryGetValue((dish, quarters), out var brought))
        {
            _brought[(dish, quarters)] = brought = form.Of(table.HelpingOf(dish, quarters));
        }

        return brought;
    }
}

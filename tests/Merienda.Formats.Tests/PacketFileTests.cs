using System.Text;
using CsCheck;
using Merienda.Core.Foods;
using Merienda.Core.Foods.Labels;
using Merienda.Core.Foods.Packets;

namespace Merienda.Formats.Tests;

public class PacketFileTests
{
    private static readonly FoodClasses Classes = DataFiles.Load(DataFiles.Find()).Classes;

    private static List<FileRow> Rows(string text) => [.. PacketFile.Read(Encoding.UTF8.GetBytes(text), Classes).Value.Rows];

    private static readonly Gen<PrintedPacket> Packets = Gen.Select(
            Gen.Int[1, 1_000_000],
            Gen.Int[0, 5],
            Gen.Int[1, 400],
            Gen.Int[0, 999],
            Gen.String[Gen.Char[" ,;\"'\nabéß%()0123456789"], 0, 80],
            Gen.Bool
        )
        .Select(
            (name, country, serving, tenths, text, isFull) =>
                new PrintedPacket(
                    $"Packet {name}, \"{(isFull ? "big; new" : "x")}\"",
                    (LabelCountry)country,
                    isFull ? LabelBasis.Total : null,
                    $"2 pieces or {serving} g",
                    isFull
                        ? new Dictionary<LabelNutrient, string>
                        {
                            [LabelNutrient.Energy] = $"{tenths} kJ",
                            [LabelNutrient.Fat] = "<0.5",
                            [LabelNutrient.Salt] = $"{tenths / 1000m}".Replace(',', '.'),
                        }
                        : [],
                    text.Trim(),
                    isFull ? "nuts" : "",
                    isFull ? $"{serving} g" : "",
                    isFull ? tenths / 100m : null,
                    isFull ? 2.5m : null,
                    isFull ? 3 : null,
                    isFull ? ["rye", "seed"] : [],
                    isFull ? "bakery" : ""
                )
        );

    [Fact]
    public void What_is_written_is_read_back_as_it_was() =>
        Packets
            .Array[1, 12]
            .Sample(
                packets =>
                {
                    var distinct = packets.DistinctBy(packet => packet.Name).ToList();
                    var read = Rows(PacketFile.Write(distinct));
                    Assert.Equal(distinct.Count, read.Count);
                    foreach (var (packet, row) in distinct.Zip(read))
                    {
                        Assert.Null(row.Problem);
                        Assert.True(packet.IsSameAs(row.Packet!), $"{packet} came back as {row.Packet}");
                    }
                },
                iter: 300
            );

    [Fact]
    public void Any_bytes_are_read_or_refused_and_never_throw() =>
        Gen
            .Byte.Array[0, 400]
            .Sample(
                bytes =>
                {
                    var file = PacketFile.Read(bytes, Classes);
                    Assert.True(file.IsRefused || file.Value.Rows.Count() >= 0);
                },
                iter: 2000
            );

    [Theory]
    [InlineData("name;country;serving;fat\nx;EU;100 g;1,6", "1,6")]
    [InlineData("\uFEFFName,COUNTRY,serving,fat\r\nx,European Union,100 g,\"1,6\"\r\n", "1,6")]
    [InlineData("fat,serving,country,name\n1.6,100 g,eu,x\n", "1.6")]
    public void Semicolons_marks_capitals_and_any_order_of_columns_are_taken(string text, string fat)
    {
        var packet = Rows(text).Single().Packet!;
        Assert.Equal(("x", LabelCountry.EuropeanUnion, fat), (packet.Name, packet.Country, packet.Values[LabelNutrient.Fat]));
    }

    [Theory]
    [InlineData("x,EU,,,,,", "serving")]
    [InlineData(",EU,100 g,,,,", "name")]
    [InlineData("x,Nowhere,100 g,,,,", "country")]
    [InlineData("x,EU,100 g,half,,,", "basis")]
    [InlineData("x,EU,100 g,,much,,", "price")]
    [InlineData("x,EU,100 g,,,1.5,", "opened_days")]
    [InlineData("x,EU,100 g,,,400,", "opened_days")]
    [InlineData("x,EU,100 g,,,,moon", "classes")]
    public void A_wrong_cell_is_named_by_its_column(string row, string column)
    {
        var problem = Rows($"name,country,serving,basis,price,opened_days,classes\n{row}\n").Single().Problem!;
        Assert.Equal((2, column), (problem.Row, problem.Column));
        Assert.NotEmpty(problem.Cure);
    }

    [Fact]
    public void More_rows_than_a_file_may_have_end_with_a_problem_and_nothing_more_is_read()
    {
        var rows = Rows(
            "name,country,serving\n" + string.Concat(Enumerable.Range(0, CsvTable.MostRows + 5).Select(at => $"p{at},EU,100 g\n"))
        );
        Assert.Equal(CsvTable.MostRows + 1, rows.Count);
        Assert.Contains("at most 20,000 rows", rows[^1].Problem!.Reason, StringComparison.Ordinal);
    }

    [Fact]
    public void Every_column_of_the_shipped_demo_packets_goes_round() =>
        Assert.Equal(PacketColumns.All, PacketFile.Write([]).Trim().Split(','));
}

using System.Text;
using CsvHelper;

namespace InchBurst.Data.Files.Csv;

/// <summary>A row of a file with the line it stands on.</summary>
/// <param name="Line">Line in the file, from 1; the first of them where a cell goes over several.</param>
/// <param name="Cells">Its cells.</param>
public sealed record CsvRow(int Line, IReadOnlyList<string> Cells);

/// <summary>A file of a spreadsheet, whichever country it comes from: comma, semicolon or tab between the cells, with or without a byte order mark (RFC 4180).</summary>
/// <param name="Header">First row.</param>
/// <param name="Rows">The others that are not empty.</param>
/// <param name="Delimiter">What stands between cells.</param>
/// <param name="Problems">What could not be read at all, by line.</param>
public sealed record CsvSheet(IReadOnlyList<string> Header, IReadOnlyList<CsvRow> Rows, char Delimiter, IReadOnlyList<(int Line, string Words)> Problems)
{
    /// <summary>Most rows that are taken at once.</summary>
    public const int MostRows = 200_000;

    /// <summary>Most bytes of a file.</summary>
    public const int MostBytes = 60_000_000;

    private const int MostCells = 400;

    /// <summary>Reads a file.</summary>
    /// <param name="bytes">All of it.</param>
    /// <exception cref="FileProblem">It is no such file; the message says why.</exception>
    public static CsvSheet Read(byte[] bytes)
    {
        if (bytes.Length > MostBytes)
        {
            throw new FileProblem($"The file is larger than {MostBytes / 1_000_000} MB. Split it.");
        }

        var text = Decoded(bytes);
        if (text.AsSpan().Trim().Length == 0)
        {
            throw new FileProblem("The file is empty.");
        }

        if (text.Contains('\0', StringComparison.Ordinal))
        {
            throw new FileProblem("This is no text. Save the sheet as CSV (comma or semicolon separated) and choose that file.");
        }

        // Some spreadsheets say their separator on a line of its own.
        var skipped = 0;
        if (text.StartsWith("sep=", StringComparison.OrdinalIgnoreCase) && text.Length > 5)
        {
            var end = text.IndexOf('\n', StringComparison.Ordinal);
            text = end < 0 ? "" : text[(end + 1)..];
            skipped = 1;
        }

        var delimiter = DelimiterOf(text);
        var problems = new List<(int Line, string Words)>();
        var rows = new List<CsvRow>();
        IReadOnlyList<string>? header = null;
        try
        {
            using var reader = CsvReader.FromText(text, new CsvReaderOptions
            {
                Separator = delimiter,
                HasHeader = false,
                SkipEmptyLines = true,
                TrimWhitespace = true,
                TrackLineNumbers = true,
                DetectSeparatorHint = false,
                MaxRecordSize = 200_000,
                OnMalformedRecord = r => problems.Add(((int)r.LineNumber + skipped, "A quotation mark stands where none belongs; the row is read as it looks.")),
            });
            while (reader.Read())
            {
                var line = (int)reader.LineNumber + skipped;
                if (reader.FieldCount > MostCells)
                {
                    throw new FileProblem($"Line {line} has {reader.FieldCount} cells; at most {MostCells} are read.");
                }

                var cells = new string[reader.FieldCount];
                for (var i = 0; i < cells.Length; i++)
                {
                    cells[i] = Cells.Harmed(reader.GetString(i));
                }

                if (Array.TrueForAll(cells, c => c.Length == 0))
                {
                    continue;
                }

                if (header is null)
                {
                    header = cells;
                    continue;
                }

                if (rows.Count >= MostRows)
                {
                    throw new FileProblem($"The file has more than {MostRows:N0} rows. Split it.");
                }

                rows.Add(new(line, cells));
            }
        }
        catch (CsvFormatException e)
        {
            throw new FileProblem($"The file cannot be read from line {e.LineNumber + skipped} on.");
        }

        return header is null ? throw new FileProblem("The file has no header row.") : new(header, rows, delimiter, problems);
    }

    /// <summary>Writes rows as a file that spreadsheets open: UTF-8 with its mark, CRLF, cells that would run as a formula made harmless.</summary>
    /// <param name="to">Where to.</param>
    /// <param name="header">First row.</param>
    /// <param name="rows">The others.</param>
    /// <param name="cancel">Gives up.</param>
    public static async Task WriteAsync(Stream to, IReadOnlyList<string> header, IAsyncEnumerable<IReadOnlyList<string>> rows, CancellationToken cancel = default)
    {
        await using var csv = CsvWriter.Create(to, new CsvWriterOptions { WriteByteOrderMark = true, ValidateFieldCount = false }, true);
        await csv.WriteRecordAsync([.. header], cancel);
        await foreach (var row in rows.WithCancellation(cancel))
        {
            await csv.WriteRecordAsync([.. row.Select(Cells.Harmless)], cancel);
        }

        await csv.FlushAsync(cancel);
    }

    private static string Decoded(byte[] bytes)
    {
        if (bytes is [0xFF, 0xFE, ..])
        {
            return Encoding.Unicode.GetString(bytes, 2, bytes.Length - 2);
        }

        if (bytes is [0xFE, 0xFF, ..])
        {
            return Encoding.BigEndianUnicode.GetString(bytes, 2, bytes.Length - 2);
        }

        try
        {
            return new UTF8Encoding(false, true).GetString(bytes is [0xEF, 0xBB, 0xBF, ..] ? bytes.AsSpan(3) : bytes);
        }
        catch (DecoderFallbackException)
        {
            // What older spreadsheets of western Europe write.
            return Encoding.Latin1.GetString(bytes);
        }
    }

    // The sign that is most often in the first rows outside of quotation marks.
    private static char DelimiterOf(string text)
    {
        Span<int> counts = stackalloc int[3];
        var (quoted, lines) = (false, 0);
        foreach (var c in text)
        {
            quoted ^= c == '"';
            if (quoted)
            {
                continue;
            }

            if (c == '\n' && ++lines == 5)
            {
                break;
            }

            // A comma within a number is no separator where semicolons or tabs are.
            counts[0] += c == ';' ? 1000 : 0;
            counts[1] += c == '\t' ? 1000 : 0;
            counts[2] += c == ',' ? 1 : 0;
        }

        return counts[0] >= counts[1] && counts[0] > counts[2] ? ';' : counts[1] > counts[2] ? '\t' : ',';
    }
}

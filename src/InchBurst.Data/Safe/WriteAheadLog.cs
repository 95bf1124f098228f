using System.Buffers.Binary;

namespace InchBurst.Data.Safe;

/// <summary>The log beside the club's file, read as SQLite does (file format, section 4): what is damaged in it is found, which SQLite itself passes over in silence.</summary>
public static class WriteAheadLog
{
    private const int HeadBytes = 32;
    private const int FrameHeadBytes = 24;

    /// <summary>What is wrong with a log that a program left which did not end in order: "is missing", "is damaged"; null when all of it can be read.</summary>
    /// <param name="log">Its path.</param>
    public static string? Problem(string log)
    {
        if (!File.Exists(log))
        {
            return "is missing";
        }

        var all = File.ReadAllBytes(log);
        if (all.Length == 0)
        {
            return null;
        }

        // Magic, format, page size, sequence, two salts, two sums.
        if (all.Length < HeadBytes || Word(all, 0) is not (0x377f0682 or 0x377f0683))
        {
            return "is damaged";
        }

        var isBig = (all[3] & 1) == 1;
        var sums = Sums(all.AsSpan(0, HeadBytes - 8), isBig, (0, 0));
        if (sums != (Word(all, 24), Word(all, 28)))
        {
            return "is damaged";
        }

        // Each frame: page, size of the file when it ends a save, the two salts, two sums that go on from the frame before, the page.
        // A save that was being written when the program was killed breaks off; only damage has a whole save of the same round after a frame that cannot be read.
        var frame = FrameHeadBytes + (int)Word(all, 8);
        var isBroken = false;
        for (var at = HeadBytes; at + frame <= all.Length; at += frame)
        {
            var ours = Word(all, at + 8) == Word(all, 16) && Word(all, at + 12) == Word(all, 20);
            if (isBroken)
            {
                if (ours && Word(all, at + 4) != 0)
                {
                    return "is damaged in its middle";
                }

                continue;
            }

            sums = Sums(all.AsSpan(at + FrameHeadBytes, frame - FrameHeadBytes), isBig, Sums(all.AsSpan(at, 8), isBig, sums));
            isBroken = !ours || sums != (Word(all, at + 16), Word(all, at + 20));
        }

        return null;
    }

    private static uint Word(byte[] all, int at) => BinaryPrimitives.ReadUInt32BigEndian(all.AsSpan(at));

    private static (uint First, uint Second) Sums(ReadOnlySpan<byte> of, bool isBig, (uint First, uint Second) from)
    {
        var (first, second) = from;
        for (var at = 0; at + 8 <= of.Length; at += 8)
        {
            var (a, b) = isBig
                ? (BinaryPrimitives.ReadUInt32BigEndian(of[at..]), BinaryPrimitives.ReadUInt32BigEndian(of[(at + 4)..]))
                : (BinaryPrimitives.ReadUInt32LittleEndian(of[at..]), BinaryPrimitives.ReadUInt32LittleEndian(of[(at + 4)..]));
            first = unchecked(first + a + second);
            second = unchecked(second + b + first);
        }

        return (first, second);
    }
}

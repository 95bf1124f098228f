namespace InchBurst.Web.Support;

/// <summary>Names of files that go out.</summary>
public static class FileNames
{
    /// <summary>A name with nothing in it that a file system or a header takes for more.</summary>
    /// <param name="name">What it is called.</param>
    public static string Of(string name)
    {
        var plain = new string([.. name.Select(c => char.IsLetterOrDigit(c) ? char.ToLowerInvariant(c) : '-')]).Trim('-');
        return plain.Length == 0 ? "file" : plain[..Math.Min(60, plain.Length)];
    }
}

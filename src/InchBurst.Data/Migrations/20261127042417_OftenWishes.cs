using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace InchBurst.Data.Migrations
{
    /// <inheritdoc />
    public partial class OftenWishes : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "OftenWishes",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    SquadId = table.Column<int>(type: "INTEGER", nullable: false),
                    Exercise = table.Column<string>(type: "TEXT", nullable: false),
                    Least = table.Column<double>(type: "REAL", nullable: true),
                    Most = table.Column<double>(type: "REAL", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_OftenWishes", x => x.Id);
                });

            migrationBuilder.CreateIndex(
                name: "IX_OftenWishes_SquadId_Exercise",
                table: "OftenWishes",
                columns: new[] { "SquadId", "Exercise" },
                unique: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "OftenWishes");
        }
    }
}

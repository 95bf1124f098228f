using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace InchBurst.Data.Migrations
{
    /// <inheritdoc />
    public partial class Schools : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "School",
                table: "Squads",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "School",
                table: "Sessions",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<int>(
                name: "Lanes",
                table: "PlanRevisions",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "ClubSchools",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Json = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_ClubSchools", x => x.Id);
                });

            migrationBuilder.CreateIndex(
                name: "IX_ClubSchools_Name",
                table: "ClubSchools",
                column: "Name",
                unique: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "ClubSchools");

            migrationBuilder.DropColumn(
                name: "School",
                table: "Squads");

            migrationBuilder.DropColumn(
                name: "School",
                table: "Sessions");

            migrationBuilder.DropColumn(
                name: "Lanes",
                table: "PlanRevisions");
        }
    }
}

using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace InchBurst.Data.Migrations
{
    /// <inheritdoc />
    public partial class TestingDays : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Testing",
                table: "Sessions",
                type: "TEXT",
                nullable: false,
                defaultValue: "");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "Testing",
                table: "Sessions");
        }
    }
}

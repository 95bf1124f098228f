using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace InchBurst.Data.Migrations
{
    /// <inheritdoc />
    public partial class GateStarts : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<double>(
                name: "GoMilliseconds",
                table: "GateReadings",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "MovedMilliseconds",
                table: "GateReadings",
                type: "REAL",
                nullable: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "GoMilliseconds",
                table: "GateReadings");

            migrationBuilder.DropColumn(
                name: "MovedMilliseconds",
                table: "GateReadings");
        }
    }
}

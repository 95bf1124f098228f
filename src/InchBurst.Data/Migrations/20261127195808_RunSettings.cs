using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace InchBurst.Data.Migrations
{
    /// <inheritdoc />
    public partial class RunSettings : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<double>(
                name: "Altitude",
                table: "Sessions",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "Shoes",
                table: "Sessions",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<double>(
                name: "Wind",
                table: "Sessions",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "Air",
                table: "RunStretches",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "Reaction",
                table: "RunStretches",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "Altitude",
                table: "Runs",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "HasOwnSetting",
                table: "Runs",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<double>(
                name: "Reaction",
                table: "Runs",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "Shoes",
                table: "Runs",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<double>(
                name: "Wind",
                table: "Runs",
                type: "REAL",
                nullable: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "Altitude",
                table: "Sessions");

            migrationBuilder.DropColumn(
                name: "Shoes",
                table: "Sessions");

            migrationBuilder.DropColumn(
                name: "Wind",
                table: "Sessions");

            migrationBuilder.DropColumn(
                name: "Air",
                table: "RunStretches");

            migrationBuilder.DropColumn(
                name: "Reaction",
                table: "RunStretches");

            migrationBuilder.DropColumn(
                name: "Altitude",
                table: "Runs");

            migrationBuilder.DropColumn(
                name: "HasOwnSetting",
                table: "Runs");

            migrationBuilder.DropColumn(
                name: "Reaction",
                table: "Runs");

            migrationBuilder.DropColumn(
                name: "Shoes",
                table: "Runs");

            migrationBuilder.DropColumn(
                name: "Wind",
                table: "Runs");
        }
    }
}

using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace InchBurst.Data.Migrations
{
    /// <inheritdoc />
    public partial class GateFeed : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "GateToken",
                table: "Clubs",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.CreateTable(
                name: "GateReadings",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    ClientId = table.Column<Guid>(type: "TEXT", nullable: false),
                    SessionId = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<DateTime>(type: "TEXT", nullable: false),
                    Lane = table.Column<int>(type: "INTEGER", nullable: false),
                    PassesJson = table.Column<string>(type: "TEXT", nullable: false),
                    UsedFor = table.Column<long>(type: "INTEGER", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_GateReadings", x => x.Id);
                });

            migrationBuilder.CreateIndex(
                name: "IX_GateReadings_ClientId",
                table: "GateReadings",
                column: "ClientId",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_GateReadings_SessionId_UsedFor",
                table: "GateReadings",
                columns: new[] { "SessionId", "UsedFor" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "GateReadings");

            migrationBuilder.DropColumn(
                name: "GateToken",
                table: "Clubs");
        }
    }
}

-- Grows a demo file to about 200,000 runs for bench/load.mjs: sqlite3 DEMO_FOLDER/club.db < bench/scale.sql (on a throwaway demo only).
PRAGMA journal_mode=WAL;
BEGIN;
CREATE TEMP TABLE k(n); WITH RECURSIVE c(n) AS (SELECT 1 UNION ALL SELECT n+1 FROM c WHERE n<102) INSERT INTO k SELECT n FROM c;
CREATE TEMP TABLE base AS SELECT * FROM Runs; 
INSERT INTO Runs (Id,ClientId,SessionId,AthleteId,LineId,Day,FinishedAt,Outcome,Kind,Effort,Method,Trigger,Start,StartBehindGateMetres,FlyingSpeed,LoggedBy,DeletedAt,Rep,Picked)
SELECT b.Id + n*100000, upper(substr(hex(randomblob(16)),1,8)||'-'||hex(randomblob(2))||'-'||hex(randomblob(2))||'-'||hex(randomblob(2))||'-'||hex(randomblob(6))), SessionId, AthleteId, LineId, date(Day, '-'||(n*16+84)||' days'), FinishedAt, Outcome, Kind, Effort, Method, Trigger, Start, StartBehindGateMetres, FlyingSpeed, LoggedBy, DeletedAt, 0, '' FROM base b, k;
INSERT INTO Marks (RunId,Millimetres,Amount,Unit,Seconds) SELECT RunId + n*100000, Millimetres, Amount, Unit, Seconds FROM (SELECT * FROM Marks) m, k;
COMMIT; ANALYZE; SELECT count(*) FROM Runs; SELECT count(*) FROM Marks;

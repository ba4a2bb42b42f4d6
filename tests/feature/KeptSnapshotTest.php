<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\Resources\RoundStanding;
use App\Models\CareCase;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Rung\Core\Decision\ActionKind;
use Rung\Core\Snapshot\CaseSnapshot;

/** How a case stands is kept in codes; what the Round draws of it is kept beside them and follows from them alone. */
final class KeptSnapshotTest extends TestCase
{
    public function testTheRoundDrawsWhatTheCodesSay(): void
    {
        $page = $this->ask($this->practitioner(), 'GET', '/api/round')->assertOk();
        $lines = array_column((array) $page->json('cases'), 'standing', 'id');
        self::assertGreaterThan(9, count($lines));
        foreach ($lines as $id => $line) {
            $snapshot = CareCase::query()->findOrFail($id)->snapshot;
            self::assertNotNull($snapshot);
            self::assertEquals($line, json_decode((string) json_encode(RoundStanding::present($snapshot)), true));
        }
        // The page of the case shows the same, worked out from the record.
        $case = $this->caseOf('Juno Tamsin');
        $shown = (array) $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id")->json('standing');
        $kept = (array) $lines[$case->id];
        unset($shown['at'], $kept['at']);
        self::assertSame($kept, $shown);
    }

    public function testOneThatCannotBeReadIsNoneAndTheCaseIsEvaluatedAgain(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $before = $case->snapshot;
        self::assertNotNull($before);
        foreach (['{"format":"rung-snapshot/0"}', '{"format":"' . CaseSnapshot::FORMAT . '"}', '[]'] as $kept) {
            DB::table('cases')
                ->where('id', $case->id)
                ->update(['snapshot' => $kept, 'evaluated_at' => null]);
            self::assertNull($case->refresh()->snapshot);
            $this->ask($this->practitioner(), 'GET', '/api/round')->assertOk();
            Artisan::call('rung:standings', ['--new' => true]);
            self::assertEquals($before->proposed->action, $case->refresh()->snapshot?->proposed->action);
        }
    }

    public function testAStopIsKnownThoughTheCodesAreNot(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        self::assertFalse($case->isStopped());
        $case
            ->checkIns()
            ->latest('at')
            ->firstOrFail()
            ->forceFill(['signs' => ['swelling']])
            ->save();
        Artisan::call('rung:standings', ['--all' => true]);
        self::assertSame(ActionKind::Stop, $case->refresh()->snapshot?->proposed->action->kind);
        self::assertTrue($case->isStopped());
        // As a case stands between an upgrade and the start after it.
        DB::table('cases')
            ->where('id', $case->id)
            ->update(['snapshot' => null]);
        self::assertTrue($case->refresh()->isStopped());
    }
}

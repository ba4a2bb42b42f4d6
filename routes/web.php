<?php

declare(strict_types=1);

use App\Http\Controllers\AccountController;
use App\Http\Controllers\Desk\AthleteController;
use App\Http\Controllers\Desk\CaseController;
use App\Http\Controllers\Desk\CaseFileController;
use App\Http\Controllers\Desk\CaseloadController;
use App\Http\Controllers\Desk\ClosedCasesController;
use App\Http\Controllers\Desk\DecisionController;
use App\Http\Controllers\Desk\EntryController as DeskEntryController;
use App\Http\Controllers\Desk\FigureController;
use App\Http\Controllers\Desk\IntakeController;
use App\Http\Controllers\Desk\LibraryController;
use App\Http\Controllers\Desk\MadeFileController;
use App\Http\Controllers\Desk\MeasureController;
use App\Http\Controllers\Desk\MessageController;
use App\Http\Controllers\Desk\OpeningController;
use App\Http\Controllers\Desk\PaperController;
use App\Http\Controllers\Desk\PeopleController;
use App\Http\Controllers\Desk\PlanController;
use App\Http\Controllers\Desk\PracticeController;
use App\Http\Controllers\Desk\PracticeWeekController;
use App\Http\Controllers\Desk\RecordController;
use App\Http\Controllers\Desk\RightsController;
use App\Http\Controllers\Desk\RoundController;
use App\Http\Controllers\Desk\SharingController;
use App\Http\Controllers\Desk\SheetController;
use App\Http\Controllers\Desk\TableController;
use App\Http\Controllers\Desk\TokenController;
use App\Http\Controllers\Desk\VisitController;
use App\Http\Controllers\Desk\WeeksController;
use App\Http\Controllers\InvitationController;
use App\Http\Controllers\MetricsController;
use App\Http\Controllers\PasswordController;
use App\Http\Controllers\Phone\CalendarController;
use App\Http\Controllers\Phone\EntryController;
use App\Http\Controllers\Phone\PushController;
use App\Http\Controllers\Phone\TodayController;
use App\Http\Controllers\Phone\WorkerController;
use App\Http\Controllers\SetupController;
use App\Http\Controllers\SignInController;
use App\Http\Middleware\KeepBounds;
use App\Http\Middleware\StaffSignIn;
use App\Http\Middleware\TokensRead;
use Illuminate\Support\Facades\Route;

Route::prefix('api')
    ->middleware(KeepBounds::class)
    ->group(function (): void {
        Route::get('session', [SignInController::class, 'show']);
        Route::post('session', [SignInController::class, 'store']);
        Route::delete('session', [SignInController::class, 'destroy']);

        Route::post('session/code', [SignInController::class, 'code']);

        Route::post('join', [InvitationController::class, 'join']);
        Route::post('join/who', [InvitationController::class, 'who']);
        Route::post('setup', [SetupController::class, 'store']);
        Route::post('setup/demo', [SetupController::class, 'demo']);
        Route::post('password', [PasswordController::class, 'ask']);
        Route::put('password', [PasswordController::class, 'set']);
        Route::delete('sessions', [InvitationController::class, 'signOutEverywhere'])->middleware('auth');

        // Whoever asked for a file alone finds it.
        Route::middleware(['auth', StaffSignIn::class])->group(function (): void {
            Route::get('files/{file}', [MadeFileController::class, 'show']);
            Route::delete('files/{file}', [MadeFileController::class, 'cancel']);
            Route::get('files/{file}/content', [MadeFileController::class, 'content']);
        });

        // Everybody's own account.
        Route::middleware(['auth', StaffSignIn::class])
            ->prefix('account')
            ->group(function (): void {
                Route::get('', [AccountController::class, 'show']);
                Route::put('password', [AccountController::class, 'password']);
                Route::post('confirmation', [AccountController::class, 'confirm']);
                Route::post('place', [SignInController::class, 'change']);
                Route::put('second-factor', [AccountController::class, 'confirmSecondFactor']);
                Route::middleware('password.confirm')->group(function (): void {
                    Route::post('second-factor', [AccountController::class, 'beginSecondFactor']);
                    Route::delete('second-factor', [AccountController::class, 'removeSecondFactor']);
                    Route::post('recovery-codes', [AccountController::class, 'recoveryCodes']);
                    Route::delete('sign-ins/{signIn}', [AccountController::class, 'endSignIn']);
                });
            });

        // Other systems read what the desk reads, by a token. Every route names the permission that it asks for (App\Models\Role).
        Route::middleware(['auth:web,sanctum', TokensRead::class, StaffSignIn::class])->group(function (): void {
            Route::middleware('can:take-out')->group(function (): void {
                Route::get('library/file', [LibraryController::class, 'export']);
                Route::get('tables/{table}.csv', [TableController::class, 'all']);
            });

            Route::middleware('can:take-out,case')->group(function (): void {
                Route::get('cases/{case}/measures/file', [MeasureController::class, 'export']);
                Route::get('cases/{case}/tables/{table}.csv', [TableController::class, 'one']);
                Route::get('cases/{case}/file', [CaseFileController::class, 'show']);
                Route::get('cases/{case}/health-record', [CaseFileController::class, 'healthRecord']);
                Route::post('cases/{case}/papers/{paper}/file', [PaperController::class, 'file']);
            });

            Route::middleware('can:see')->group(function (): void {
                Route::get('practice', [PracticeController::class, 'show']);
                Route::get('covers', [SharingController::class, 'covers']);
                Route::get('closed-cases', ClosedCasesController::class);
                Route::get('caseload', CaseloadController::class);
                Route::get('week', [PracticeWeekController::class, 'show']);
                Route::post('week/calendar', [PracticeWeekController::class, 'calendar']);
                Route::get('round', RoundController::class);
                Route::get('round/filters', [RoundController::class, 'filters']);
                Route::get('referrals', [OpeningController::class, 'referrals']);
                Route::get('library', [LibraryController::class, 'show']);
                Route::get('figures', [FigureController::class, 'stills']);
                Route::get('figures/{exercise}', [FigureController::class, 'show']);
                Route::get('library/search', [LibraryController::class, 'search']);
                Route::get('library/compare', [LibraryController::class, 'compare']);
                Route::get('library/programmes/{key}/course', [LibraryController::class, 'course']);
                Route::get('library/items/{kind}/{key}', [LibraryController::class, 'item']);
                Route::get('messages', [MessageController::class, 'index']);
            });

            Route::middleware('can:see,case')->group(function (): void {
                Route::get('cases/{case}', [CaseController::class, 'show']);
                Route::get('cases/{case}/rights', [RightsController::class, 'show']);
                Route::get('cases/{case}/shares', [SharingController::class, 'show']);
                Route::get('cases/{case}/measures', [MeasureController::class, 'index']);
                Route::get('cases/{case}/measures/{measure}', [MeasureController::class, 'show']);
                Route::get('cases/{case}/curves/{id}', [MeasureController::class, 'curve']);
                Route::get('cases/{case}/weeks', [WeeksController::class, 'show']);
                Route::get('cases/{case}/sheets', [SheetController::class, 'index']);
                Route::get('cases/{case}/papers', [PaperController::class, 'index']);
                Route::get('cases/{case}/papers/{paper}', [PaperController::class, 'show']);
                Route::get('cases/{case}/countdown', [WeeksController::class, 'countdown']);
                Route::get('cases/{case}/messages', [MessageController::class, 'show']);
                Route::get('cases/{case}/intake', [IntakeController::class, 'show']);
                Route::get('cases/{case}/entries', [DeskEntryController::class, 'index']);
                Route::get('cases/{case}/sessions/{session}', [CaseController::class, 'session']);
            });

            Route::middleware('can:enter,case')->group(function (): void {
                Route::post('cases/{case}/tests', [CaseController::class, 'test']);
                Route::post('cases/{case}/scores', [VisitController::class, 'score']);
                Route::post('cases/{case}/measures/file', [MeasureController::class, 'import']);
                Route::post('cases/{case}/measurements/preview', [MeasureController::class, 'preview']);
                Route::put('cases/{case}/measurements/{id}', [MeasureController::class, 'store']);
                Route::put('cases/{case}/curves/{id}', [MeasureController::class, 'keepCurve']);
                Route::post('cases/{case}/sheets', [SheetController::class, 'store']);
                Route::post('cases/{case}/sheets/read', [SheetController::class, 'read']);
                Route::delete('cases/{case}/sheets/{import}', [SheetController::class, 'takeBack']);
                Route::put('cases/{case}/corrections/{id}', [DeskEntryController::class, 'correct']);
                Route::post('cases/{case}/set-log', [DeskEntryController::class, 'setLog']);
                Route::put('cases/{case}/sessions/{session}', [DeskEntryController::class, 'session']);
                Route::put('cases/{case}/check-ins/{id}', [DeskEntryController::class, 'checkIn']);
            });

            Route::middleware('can:decide')->group(function (): void {
                Route::post('covers', [SharingController::class, 'cover']);
                Route::delete('covers/{cover}', [SharingController::class, 'endCover']);
                Route::get('other-cases', [SharingController::class, 'others']);
                Route::post('other-cases/{other}/opening', [SharingController::class, 'openOther']);
                Route::get('athletes', AthleteController::class);
                Route::get('openings', [OpeningController::class, 'index']);
                Route::post('openings', [OpeningController::class, 'store']);
                Route::get('openings/{opening}', [OpeningController::class, 'show']);
                Route::put('openings/{opening}', [OpeningController::class, 'update']);
                Route::post('openings/{opening}/referral', [OpeningController::class, 'refer']);
                Route::delete('openings/{opening}', [OpeningController::class, 'discard']);
                Route::post('start-proposals', [CaseController::class, 'start']);
                Route::post('cases', [CaseController::class, 'store']);
                Route::post('library/file', [LibraryController::class, 'import']);
                Route::post('library/file/changes', [LibraryController::class, 'importing']);
                Route::post('library/items', [LibraryController::class, 'copy']);
                Route::put('library/items/{kind}/{key}', [LibraryController::class, 'save']);
                Route::delete('library/items/{kind}/{key}', [LibraryController::class, 'withdraw']);
                Route::post('import', [CaseFileController::class, 'store']);
                Route::post('import/preview', [CaseFileController::class, 'preview']);
            });

            Route::middleware('can:decide,case')->group(function (): void {
                Route::post('cases/{case}/consents', [RightsController::class, 'consent']);
                Route::post('cases/{case}/shares', [SharingController::class, 'share']);
                Route::delete('cases/{case}/shares/{share}', [SharingController::class, 'endShare']);
                Route::put('cases/{case}/practitioner', [SharingController::class, 'handOver']);
                Route::get('cases/{case}/invitation', [InvitationController::class, 'show']);
                Route::post('cases/{case}/invitation', [InvitationController::class, 'store']);
                Route::delete('cases/{case}/invitation', [InvitationController::class, 'withdraw']);
                Route::post('cases/{case}/weeks/preview', [WeeksController::class, 'preview']);
                Route::post('cases/{case}/weeks/replan', [WeeksController::class, 'replan']);
                Route::post('cases/{case}/papers', [PaperController::class, 'store']);
                Route::put('cases/{case}/papers/{paper}', [PaperController::class, 'update']);
                Route::delete('cases/{case}/papers/{paper}', [PaperController::class, 'discard']);
                Route::post('cases/{case}/papers/{paper}/preview', [PaperController::class, 'preview']);
                Route::post('cases/{case}/papers/{paper}/signature', [PaperController::class, 'sign']);
                Route::put('cases/{case}/papers/{paper}/consent', [PaperController::class, 'agree']);
                Route::delete('cases/{case}/papers/{paper}/consent', [PaperController::class, 'withdraw']);
                Route::post('cases/{case}/weeks/lighter', [WeeksController::class, 'lighter']);
                Route::put('cases/{case}/weeks/days', [WeeksController::class, 'markDays']);
                Route::post('cases/{case}/weeks/days/preview', [WeeksController::class, 'previewDays']);
                Route::post('cases/{case}/weeks/days/read', [WeeksController::class, 'readDays']);
                Route::post('cases/{case}/moves', [WeeksController::class, 'store']);
                Route::get('cases/{case}/visit', [VisitController::class, 'show']);
                Route::post('cases/{case}/visits', [VisitController::class, 'store']);
                Route::post('cases/{case}/decisions', [DecisionController::class, 'store']);
                Route::post('cases/{case}/decisions/preview', [DecisionController::class, 'preview']);
                Route::delete('cases/{case}/decisions/{decision}', [DecisionController::class, 'undo']);
                Route::post('cases/{case}/messages', [DecisionController::class, 'answer']);
                Route::post('cases/{case}/nudges', [DecisionController::class, 'nudge']);
                Route::put('cases/{case}/intake', [IntakeController::class, 'update']);
                Route::get('cases/{case}/opinions', [CaseController::class, 'opinions']);
                Route::get('cases/{case}/stages/{stage}', [PlanController::class, 'stage']);
                Route::get('cases/{case}/plan', [PlanController::class, 'show']);
                Route::post('cases/{case}/plan', [PlanController::class, 'store']);
                Route::post('cases/{case}/plan/preview', [PlanController::class, 'preview']);
            });

            Route::middleware('can:manage')->group(function (): void {
                Route::get('practice/tokens', [TokenController::class, 'index']);
                Route::get('practice/people', [PeopleController::class, 'index']);
                Route::get('practice/retention', [RightsController::class, 'due']);
                Route::get('practice/record', [RecordController::class, 'index']);
                // The password again where it was not given in the last minutes.
                Route::middleware('password.confirm')->group(function (): void {
                    Route::put('practice', [PracticeController::class, 'update']);
                    Route::post('practice/tokens', [TokenController::class, 'store']);
                    Route::delete('practice/tokens/{token}', [TokenController::class, 'withdraw'])->whereUuid('token');
                    Route::post('practice/people', [PeopleController::class, 'invite']);
                    Route::put('practice/people/{person}', [PeopleController::class, 'change']);
                    Route::post('practice/people/{person}/invitation', [PeopleController::class, 'inviteAgain']);
                    Route::post('practice/people/{person}/suspension', [PeopleController::class, 'suspend']);
                    Route::delete('practice/people/{person}/suspension', [PeopleController::class, 'admit']);
                    Route::post('practice/people/{person}/leaving', [PeopleController::class, 'leave']);
                    Route::delete('practice/people/{person}/second-factor', [
                        PeopleController::class,
                        'removeSecondFactor',
                    ]);
                    Route::put('practice/rules', [PeopleController::class, 'rules']);
                    Route::put('practice/retention', [RightsController::class, 'keep']);
                    Route::post('practice/retention', [RightsController::class, 'eraseDue']);
                    Route::post('practice/opened/{share}/seen', [PeopleController::class, 'saw']);
                    Route::get('practice/record.csv', [RecordController::class, 'export']);
                });
            });

            Route::middleware(['can:manage,case', 'password.confirm'])->group(function (): void {
                Route::post('cases/{case}/archive', [CaseFileController::class, 'archive']);
                Route::put('cases/{case}/restriction', [RightsController::class, 'restrict']);
                Route::post('cases/{case}/erasure', [RightsController::class, 'erase']);
            });
        });

        Route::middleware(['auth', 'can:train'])->group(function (): void {
            Route::get('today', [TodayController::class, 'show']);
            Route::get('today/data', [TodayController::class, 'data']);
            Route::get('today/readers', [TodayController::class, 'readers']);
            Route::post('today/archive', [TodayController::class, 'archive']);
            Route::put('today/sessions/{id}', [TodayController::class, 'session']);
            Route::patch('today/sessions/{id}', [TodayController::class, 'settled']);
            Route::put('today/check-ins/{id}', [TodayController::class, 'checkIn']);
            Route::put('today/corrections/{id}', [EntryController::class, 'correct']);
            Route::put('today/planned/{id}', [EntryController::class, 'missed']);
            Route::get('today/planned/{id}/days', [EntryController::class, 'otherDays']);
            Route::put('today/moves/{id}', [EntryController::class, 'move']);
            Route::put('today/messages/{id}', [EntryController::class, 'message']);
            Route::post('today/calendar', [TodayController::class, 'calendar']);
            Route::put('today/phones/{phone}', [PushController::class, 'update']);
            Route::delete('today/phones/{phone}', [PushController::class, 'destroy']);
            Route::get('today/phones/{phone}/pushes', [PushController::class, 'pushes']);
        });

        Route::any('{rest}', static fn() => abort(404))->where('rest', '.*');
    });

// What ./rung bench measures the others against.
Route::get('bare', static fn(): string => 'ok')->withoutMiddleware('web');

Route::get('metrics', MetricsController::class)->withoutMiddleware('web');

Route::get('calendar/{token}.ics', CalendarController::class)->withoutMiddleware('web');
Route::get('athlete/worker.js', WorkerController::class)->withoutMiddleware('web');

// The pages themselves are the same for everybody; who is signed in is asked by what they load.
Route::view('athlete/{page?}', 'athlete')->where('page', '.*')->withoutMiddleware('web');
Route::view('{page?}', 'desk')->where('page', '.*')->withoutMiddleware('web');

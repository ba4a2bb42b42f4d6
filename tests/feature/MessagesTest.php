<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\CareCase;
use App\Models\Message;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** What athletes and practice write to each other, in one inbox and on each case. */
final class MessagesTest extends TestCase
{
    public function testTheInboxShowsWhatWaitsFirstAndEachThreadOnce(): void
    {
        $own = $this->practitioner();
        [$juno, $ines, $edda] = [
            $this->caseOf('Juno Tamsin'),
            $this->caseOf('Ines Calloway'),
            $this->caseOf('Edda Moorgate'),
        ];
        $before = count((array) $this->ask($own, 'GET', '/api/messages')->json('threads'));
        $this->writes($ines, 'Is the sauna allowed?');
        $this->later(10);
        $this->writes($juno, 'Since the late show', 6);
        $this->later(10);
        $this->answers($edda, ['words' => 'See you on Thursday at nine.']);
        $this->later(10);

        $inbox = $this->ask($own, 'GET', '/api/messages')->assertOk()->assertJsonPath('waiting', 2);
        self::assertSame(
            ['Ines Calloway', 'Juno Tamsin', 'Edda Moorgate'],
            array_slice((array) $inbox->json('threads.*.athlete'), 0, 3),
            'the longest waiting first, then the latest',
        );
        self::assertSame(
            ['question', 'flare', 'message'],
            array_slice((array) $inbox->json('threads.*.last.kind'), 0, 3),
        );
        self::assertCount($before + 3, (array) $inbox->json('threads'));
        self::assertSame(
            ['Ines Calloway', 'Juno Tamsin'],
            $this->ask($own, 'GET', '/api/messages?which=waiting')->json('threads.*.athlete'),
        );
        self::assertSame(
            ['Juno Tamsin'],
            $this->ask($own, 'GET', '/api/messages?search=tamsin')->json('threads.*.athlete'),
        );

        // A second thing asked does not make it wait again; the thread shows it last.
        $this->writes($ines, 'And the cold bath?');
        $this->ask($own, 'GET', '/api/messages')
            ->assertJsonPath('threads.0.athlete', 'Ines Calloway')
            ->assertJsonPath('threads.0.last.words', 'And the cold bath?');
        $this->ask($own, 'GET', "/api/cases/$ines->id/messages")
            ->assertOk()
            ->assertJsonPath('messages.1.words', 'Is the sauna allowed?');
        $this->answers($ines, ['words' => 'Both, after the morning test.']);
        $this->ask($own, 'GET', '/api/messages')
            ->assertJsonPath('waiting', 1)
            ->assertJsonPath('threads.0.athlete', 'Juno Tamsin')
            ->assertJsonPath('threads.1.last.kind', 'answer');
        $this->ask($this->athlete('Ines Calloway'), 'GET', '/api/today')->assertJsonPath(
            'cases.0.messages.0.words',
            'Both, after the morning test.',
        );
        $this->ask($this->athlete('Edda Moorgate'), 'GET', '/api/today')->assertJsonPath(
            'cases.0.messages.0.words',
            'See you on Thursday at nine.',
        );

        // Another practice sees nothing of it.
        self::assertSame(
            [[], 0],
            [
                $this->ask($this->practitioner('Another Practice'), 'GET', '/api/messages')->json('threads'),
                $this->ask($this->practitioner('Another Practice'), 'GET', '/api/messages')->json('waiting'),
            ],
        );
    }

    public function testAnAnswerClearsOnlyWhatWasOnTheScreen(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $question = $this->writes($case, 'Is the sauna allowed?');
        $this->later(1);
        $flare = $this->writes($case, 'It has swollen', 9);

        // The flare came while the answer was typed: it still waits, and still stops the phone.
        $this->answers($case, ['words' => 'Yes, it is.', 'seen' => [$question]])->assertStatus(201);
        self::assertNotNull(Message::query()->findOrFail($question)->seen_at);
        self::assertNull(Message::query()->findOrFail($flare)->seen_at);
        self::assertTrue($case->refresh()->hasSevereFlare());
        self::assertEquals(
            Message::query()->findOrFail($flare)->at,
            $case->asked_at,
            'it has been waiting since it was reported',
        );

        $this->answers($case, ['words' => '', 'seen' => [$question]])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['words' => 'nothing waits']);
        $this->answers($case, ['words' => '', 'seen' => ['x', (string) Str::uuid7(), $flare]])->assertStatus(201);
        self::assertSame([null, false], [$case->refresh()->asked_at, $case->hasSevereFlare()]);
        $this->answers($case, ['words' => ''])->assertStatus(422);
        $this->answers($case, ['words' => str_repeat('x', 1001)])->assertStatus(422);
    }

    public function testWhatBelongsToAnotherCaseIsNotCleared(): void
    {
        [$juno, $ines] = [$this->caseOf('Juno Tamsin'), $this->caseOf('Ines Calloway')];
        $flare = $this->writes($ines, 'It flares', 7);
        $this->answers($juno, ['words' => 'Hello', 'seen' => [$flare]])->assertStatus(201);
        self::assertNull(Message::query()->findOrFail($flare)->seen_at);
        self::assertNotNull($ines->refresh()->asked_at);
    }

    private function later(int $minutes): void
    {
        CarbonImmutable::setTestNow(CarbonImmutable::now()->addMinutes($minutes));
    }

    private function writes(CareCase $case, string $words, ?int $pain = null): string
    {
        $id = (string) Str::uuid7();
        $this->ask($this->athlete($case->athlete->name), 'PUT', "/api/today/messages/$id", [
            'kind' => $pain === null ? 'question' : 'flare',
            'words' => $words,
            'pain' => $pain,
        ])->assertStatus(201);

        return $id;
    }

    /**
     * @param array<string, mixed> $body
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function answers(CareCase $case, array $body): TestResponse
    {
        return $this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/messages", $body);
    }
}

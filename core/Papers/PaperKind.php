<?php

declare(strict_types=1);

namespace Rung\Core\Papers;

/** What a paper is and who it is for (docs/rules.md, "Papers"). */
enum PaperKind: string
{
    case Sheet = 'sheet';
    case Referrer = 'referrer';
    case Coach = 'coach';
    case Referral = 'referral';
    case Discharge = 'discharge';
    case Tests = 'tests';
    case Decisions = 'decisions';

    public function title(): string
    {
        return match ($this) {
            self::Sheet => 'Exercise sheet',
            self::Referrer => 'Letter to the referrer',
            self::Coach => 'Letter to the coach',
            self::Referral => 'Referral on a sign',
            self::Discharge => 'Discharge report',
            self::Tests => 'Test sheet',
            self::Decisions => 'Decision record',
        };
    }

    /** What it is for, in a sentence. */
    public function about(): string
    {
        return match ($this) {
            self::Sheet
                => 'The exercises of this stage with their doses, the limits of pain, and an honest time scale. For the athlete.',
            self::Referrer
                => 'One page: what was found, what was done, the course in one picture, where it stands, what is asked.',
            self::Coach
                => 'What is allowed this week and what is not. It names no diagnosis unless the athlete agrees to that.',
            self::Referral => 'Asks a colleague to see the athlete because of a sign that was reported.',
            self::Discharge => 'How it began and how it ended, with curves, and how to keep it up.',
            self::Tests => 'Every measure of the case over time, side by side. For the file or the athlete.',
            self::Decisions => 'Every decision with its reason. For the file.',
        };
    }

    /** Whether it goes to somebody other than the athlete and the file, so that the athlete has to agree first. */
    public function needsConsent(): bool
    {
        return in_array($this, [self::Referrer, self::Coach, self::Referral, self::Discharge], true);
    }

    /** Whether it may say what is wrong; where not, only with an agreement to that as well. */
    public function namesDiagnosis(): bool
    {
        return $this !== self::Coach;
    }
}

<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

/** What the product points out in a prescription, without forbidding it (docs/rules.md, "Lint"). */
enum LintKey: string
{
    case TooLightHeavy = 'too_light_heavy';
    case TooLightHold = 'too_light_hold';
    case ShortHeavyHold = 'short_heavy_hold';
    case EasyHighReps = 'easy_high_reps';
    case NoTarget = 'no_target';
    case TooClose = 'too_close';
    case SpringsNearEvent = 'springs_near_event';
    case SeveralLevers = 'several_levers';
    case Growth = 'growth';
    case AvoidPosition = 'avoid_position';
    case LongLeverEarly = 'long_lever_early';
    case HeelDrop = 'heel_drop';
    case Barefoot = 'barefoot';
    case LoweringOnly = 'lowering_only';
    case NoRestDay = 'no_rest_day';
    case TooTimid = 'too_timid';
    case LittleDone = 'little_done';
    case TooLong = 'too_long';
    case Plateau = 'plateau';
}

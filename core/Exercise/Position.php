<?php

declare(strict_types=1);

namespace Rung\Core\Exercise;

/** A position that presses or pulls a structure more than its load alone does. */
enum Position: string
{
    case DeepKneeBend = 'deep_knee_bend';
    case TopOfHeelRaise = 'top_of_heel_raise';
    case BelowFloor = 'below_floor';
    case DeepHipBend = 'deep_hip_bend';
    case WideHip = 'wide_hip';
    case LongLeverArm = 'long_lever_arm';
    case ArmBehindBody = 'arm_behind_body';
    case FullStraightening = 'full_straightening';
    case ElbowStraightPalmDown = 'elbow_straight_palm_down';
}

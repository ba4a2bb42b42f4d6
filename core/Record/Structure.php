<?php

declare(strict_types=1);

namespace Rung\Core\Record;

/** The tendon or muscle that is treated. */
enum Structure: string
{
    case PatellarTendon = 'patellar_tendon';
    case QuadricepsTendon = 'quadriceps_tendon';
    case AchillesMidportion = 'achilles_midportion';
    case AchillesInsertion = 'achilles_insertion';
    case PlantarFascia = 'plantar_fascia';
    case ProximalHamstring = 'proximal_hamstring';
    case DistalHamstring = 'distal_hamstring';
    case Adductor = 'adductor';
    case Supraspinatus = 'supraspinatus';
    case BicepsLongHead = 'biceps_long_head';
    case DistalBiceps = 'distal_biceps';
    case LateralElbow = 'lateral_elbow';
    case MedialElbow = 'medial_elbow';
    case WristFlexorsExtensors = 'wrist_flexors_extensors';
    case CalfMuscle = 'calf_muscle';
    case HamstringMuscle = 'hamstring_muscle';
    case QuadricepsMuscle = 'quadriceps_muscle';
    case AdductorMuscle = 'adductor_muscle';
}

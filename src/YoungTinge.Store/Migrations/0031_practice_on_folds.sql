-- Practice on marbled sheets.
alter table practice_trial
    drop constraint practice_trial_exercise_check,
    add constraint practice_trial_exercise_check check (exercise in ('warmer', 'deeper', 'duller', 'glaze', 'steps', 'candle', 'went_in', 'match', 'folds'));

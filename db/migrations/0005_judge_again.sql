UPDATE `design` SET `judged_revision` = 0;

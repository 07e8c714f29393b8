// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/schedule/schedule_feature.h"

#include "app/schedule/radio_schedule.h"
#include "render/tr.h"

namespace yemvo::app {

ScheduleFeature::ScheduleFeature(Shell& shell)
    : Feature(shell), page_(new RadioSchedule(workspace_, shell.frame())) {
    shell.tray_page(tr("Radio schedule"), page_);
    shell.command("view.pages", {"view.schedule", tr("Radio schedule"), QKeySequence("Ctrl+Alt+L"),
                                 [this] { shell_.show_tray(page_); }});
}

}  // namespace yemvo::app

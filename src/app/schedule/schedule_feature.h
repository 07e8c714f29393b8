// SPDX-License-Identifier: GPL-3.0-or-later
// Every radio with its settings, in the tray.
#pragma once
#include "app/offer/feature.h"

namespace yemvo::app {

class RadioSchedule;

class ScheduleFeature : public Feature {
    Q_OBJECT
public:
    explicit ScheduleFeature(Shell&);
    RadioSchedule& page() { return *page_; }

private:
    RadioSchedule* page_;
};

}  // namespace yemvo::app

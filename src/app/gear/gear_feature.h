// SPDX-License-Identifier: GPL-3.0-or-later
// The page of gear.
#pragma once
#include "app/gear/gear_list.h"
#include "app/offer/feature.h"

namespace yemvo::app {

class ChartPage;
class GearPage;
class PatternFilePage;

class GearFeature : public Feature {
    Q_OBJECT
public:
    explicit GearFeature(Shell&);
    GearPage& page() { return *page_; }
    ChartPage& charts() { return *charts_; }
    bool is_showing() const;

private:
    void add_chart_page();
    void add_pattern_file_page();
    void show(GearId);
    void place(ModelId);
    GearPage* page_;
    ChartPage* charts_;
    PatternFilePage* files_;
};

}  // namespace yemvo::app

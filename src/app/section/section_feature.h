// SPDX-License-Identifier: GPL-3.0-or-later
// The section through the building, and its floors: added, inserted, duplicated, stepped through, found by
// name.
#pragma once
#include "app/offer/feature.h"

namespace yemvo::app {

class SectionView;

class SectionFeature : public Feature {
    Q_OBJECT
public:
    explicit SectionFeature(Shell&);
    SectionView& view() { return *view_; }

private:
    void add_on_top();
    void insert_above();
    void duplicate(FloorId);
    /// The next floor of the building, above or below.
    void show_beside(int by);
    void align(FloorId);
    SectionView* view_;
};

}  // namespace yemvo::app

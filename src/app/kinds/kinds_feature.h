// SPDX-License-Identifier: GPL-3.0-or-later
// What holds for every kind of thing on a floor: hidden, locked, found by name.
#pragma once
#include "app/offer/feature.h"
#include "project/item.h"

namespace yemvo::app {

class KindsFeature : public Feature {
    Q_OBJECT
public:
    explicit KindsFeature(Shell&);

private:
    void offer_display(QMenu*, bool hides);
    void add_named(std::vector<NamedThing>&);
};

}  // namespace yemvo::app

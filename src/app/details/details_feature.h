// SPDX-License-Identifier: GPL-3.0-or-later
// Details of what is selected, at the right.
#pragma once
#include "app/offer/feature.h"
#include "project/item.h"

namespace yemvo::app {

class DetailsPanel;

class DetailsFeature : public Feature {
    Q_OBJECT
public:
    explicit DetailsFeature(Shell&);
    DetailsPanel& panel() { return *panel_; }

private:
    void choose_photo(const yemvo::Item&);
    DetailsPanel* panel_;
};

}  // namespace yemvo::app

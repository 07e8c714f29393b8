// SPDX-License-Identifier: GPL-3.0-or-later
// What the map shows: the lens bar over the plan and the same in the menus.
#pragma once
#include "app/offer/feature.h"

namespace yemvo::app {

class MapFeature : public Feature {
    Q_OBJECT
public:
    explicit MapFeature(Shell&);
};

}  // namespace yemvo::app

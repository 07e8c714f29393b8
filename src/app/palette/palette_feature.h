// SPDX-License-Identifier: GPL-3.0-or-later
// Everything by name, and all keys on one page.
#pragma once
#include "app/offer/feature.h"

namespace yemvo::app {

class PaletteFeature : public Feature {
    Q_OBJECT
public:
    explicit PaletteFeature(Shell&);

private:
    void open();
};

}  // namespace yemvo::app

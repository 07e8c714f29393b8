// SPDX-License-Identifier: GPL-3.0-or-later
// The largest losses, in the tray.
#pragma once
#include "app/offer/feature.h"

namespace yemvo::app {

class CostsPage;

class CostsFeature : public Feature {
    Q_OBJECT
public:
    explicit CostsFeature(Shell&);
    CostsPage& page() { return *page_; }

private:
    CostsPage* page_;
};

}  // namespace yemvo::app

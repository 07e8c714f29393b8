// SPDX-License-Identifier: GPL-3.0-or-later
// The chosen link from radio to probe, in the tray.
#pragma once
#include "app/offer/feature.h"

namespace yemvo::app {

class LinkProfilePage;

class LinkProfileFeature : public Feature {
    Q_OBJECT
public:
    explicit LinkProfileFeature(Shell&);
    LinkProfilePage& page() { return *page_; }

private:
    LinkProfilePage* page_;
};

}  // namespace yemvo::app

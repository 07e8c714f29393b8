// SPDX-License-Identifier: GPL-3.0-or-later
// The page of client profiles, applications and networks.
#pragma once
#include "app/offer/feature.h"

namespace yemvo::app {

class ClientsPage;

class ClientsFeature : public Feature {
    Q_OBJECT
public:
    explicit ClientsFeature(Shell&);
    ClientsPage& page() { return *page_; }

private:
    ClientsPage* page_;
};

}  // namespace yemvo::app

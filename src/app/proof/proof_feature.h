// SPDX-License-Identifier: GPL-3.0-or-later
// The proof beside the plan, and the verdict in the header.
#pragma once
#include "app/offer/feature.h"

namespace yemvo::app {

class ProofPage;

class ProofFeature : public Feature {
    Q_OBJECT
public:
    explicit ProofFeature(Shell&);
    ProofPage& page() { return *page_; }

private:
    ProofPage* page_;
};

}  // namespace yemvo::app

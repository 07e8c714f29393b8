// SPDX-License-Identifier: GPL-3.0-or-later
// The list of what was heard at a listening place, in its form.
#pragma once
#include <QListWidget>
#include <QWidget>

#include "app/model/workspace.h"
#include "venue/listening_place.h"

class QPushButton;

namespace yemvo::app {

class HeardHere : public QWidget {
    Q_OBJECT
public:
    HeardHere(Workspace&, ListeningPlaceId, QWidget* parent = nullptr);
    /// Null once it is gone.
    const ListeningPlace* place() const;
    /// The one that fields are about; null while there is none.
    const Neighbour* chosen() const;
    std::size_t chosen_index() const { return chosen_; }
    void choose(std::size_t);
    void refresh();

signals:
    void chosen_changed();

private:
    void add();
    void remove();
    void follow_spectrum();
    void change(const QString& label, const std::function<void(std::vector<Neighbour>&)>&);
    Workspace& workspace_;
    ListeningPlaceId id_;
    std::size_t chosen_ = 0;
    QListWidget* list_;
    QPushButton *remove_, *write_;
    bool filling_ = false;
};

}  // namespace yemvo::app

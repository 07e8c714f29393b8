// SPDX-License-Identifier: GPL-3.0-or-later
// The worst places as cards: a cut-out of the map, what is missed there and by how much.
#pragma once
#include <QPixmap>
#include <QWidget>
#include <vector>

#include "app/model/workspace.h"
#include "coverage/worst_places.h"

namespace yemvo::app {

class WorstCards : public QWidget {
    Q_OBJECT
public:
    explicit WorstCards(Workspace&, QWidget* parent = nullptr);
    /// From the results as they are now; whoever shows the cards asks for it, and hides them without any.
    void refresh();
    int count() const { return static_cast<int>(cards_.size()); }
    /// The three lines of a card.
    QStringList words(int card) const { return cards_[static_cast<std::size_t>(card)].words; }
    QRect card_rect(int card) const;

protected:
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void keyPressEvent(QKeyEvent*) override;
    void resizeEvent(QResizeEvent*) override;
    void changeEvent(QEvent*) override;
    /// All of a card's words, where it has no room for them.
    bool event(QEvent*) override;

private:
    struct Card {
        WorstPlace place;
        QStringList words;
        QString short_value;  ///< the second of them without its unit
        QImage picture;
        QPointF mark;  ///< of the worst cell, in the picture
    };
    int room() const;
    int card_width() const;
    std::vector<WorstPlace> shown_places() const;
    Card card(const WorstPlace&) const;
    void go(int card);
    Workspace& workspace_;
    std::vector<Card> cards_;
    int chosen_ = 0;
};

}  // namespace yemvo::app

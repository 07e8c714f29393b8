// SPDX-License-Identifier: GPL-3.0-or-later
// Client profiles, applications and networks of the project: a list, and the form of what is chosen.
#pragma once
#include <QWidget>
#include <string>
#include <vector>

#include "app/model/workspace.h"

class QListWidget;
class QPushButton;
class QScrollArea;

namespace yemvo {
struct ClientLibrary;
}

namespace yemvo::app {

class Form;
class RateChart;
struct Asking;

/// Where a person's own profiles and applications are kept.
QString personal_clients_file();

enum class KeyedKind { client, application, network };

/// One of them, by its key; empty: none.
struct Keyed {
    KeyedKind kind = KeyedKind::client;
    std::string key;
    explicit operator bool() const { return !key.empty(); }
    friend bool operator==(const Keyed&, const Keyed&) = default;
};

class ClientsPage : public QWidget {
    Q_OBJECT
public:
    ClientsPage(Workspace&, const Asking&, QWidget* parent = nullptr);
    /// Nothing: what was chosen before, or the first.
    void show_thing(const Keyed&);
    const Keyed& shown() const { return shown_; }

signals:
    void left();

private:
    QWidget* make_head();
    QWidget* make_list();
    void refresh();
    struct Listed {
        Keyed what;  ///< nothing: a head, or a word
        QString text, tip;
        bool head = false;
        friend bool operator==(const Listed&, const Listed&) = default;
    };
    std::vector<Listed> listed() const;
    void fill_list();
    bool exists(const Keyed&) const;
    void add(KeyedKind);
    void copy();
    void remove();
    void take_library(const ClientLibrary&, const QString& from);
    void read_file();
    void write_file();
    void keep_personal();
    void take_personal();
    /// Runs an edit that may refuse, which is told; what it gives is chosen then. False when it was refused.
    bool change(const QString& label, const std::function<Keyed(Project&)>& how);
    void showEvent(QShowEvent*) override;
    void keyPressEvent(QKeyEvent*) override;
    void paintEvent(QPaintEvent*) override;
    Workspace& workspace_;
    const Asking& asking_;
    QListWidget* list_ = nullptr;
    QScrollArea* middle_ = nullptr;
    QPushButton *copy_ = nullptr, *remove_ = nullptr;
    RateChart* chart_ = nullptr;
    QWidget* rest_ = nullptr;  ///< where there is no chart
    Form* form_ = nullptr;
    std::vector<Listed> listed_;
    Keyed shown_;
    Keyed form_of_;
};

}  // namespace yemvo::app
